import { ScanPage } from '@/scan/scan-page';

/** A label before the camera, and the valve that it hangs on. */
export default ScanPage;

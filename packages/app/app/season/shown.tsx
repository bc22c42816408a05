import { ShownPage } from '@/season/shown-page';

/** What the season has shown. */
export default function ShownScreen() {
  return <ShownPage />;
}

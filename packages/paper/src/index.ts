export { sheetPdf } from './sheet-pdf';
export type { PaperFonts } from './page';

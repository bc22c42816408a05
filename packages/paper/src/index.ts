export { labelsPdf, type Label } from './labels-pdf';
export { sheetPdf } from './sheet-pdf';
export type { PaperFonts } from './page';

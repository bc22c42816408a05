export { labelsPdf, type Label } from './labels-pdf';
export { sheetPdf, type Filed } from './sheet-pdf';
export type { PaperFonts } from './page';

export { labelsPdf, type Label } from './labels-pdf';
export { sheetPdf, type Beside } from './sheet-pdf';
export type { PaperFonts } from './page';

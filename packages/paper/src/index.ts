export { labelsPdf, type Label } from './labels-pdf';
export { pagesPdf, type PaperPage } from './pages-pdf';
export { sheetPdf, type Beside } from './sheet-pdf';
export type { PaperFonts } from './page';

import type { SheetBody, SheetTable } from '@holvek/core';

type Tables = NonNullable<SheetBody['tables']>;
type Box = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/** A share of span in per cent, with a real minus. */
export const spanText = (share: number, decimals = 1): string =>
  `${share < 0 ? '−' : ''}${Math.abs(share * 100).toFixed(decimals)} %`;

/** What the points come to, for the list of proofs. */
export const tableRows = ({ as_left: left, uncertainty }: Tables): [string, string][] => [
  ['Zero error', spanText(left.zero_error)],
  ['Span error', spanText(left.span_error)],
  ['Hysteresis', left.hysteresis === null ? 'not read' : spanText(left.hysteresis)],
  ...(left.repeatability === undefined
    ? []
    : [['Repeatability', spanText(left.repeatability, 2)] as [string, string]]),
  ...(left.dead_band === undefined ? [] : [['Dead band', spanText(left.dead_band, 2)] as [string, string]]),
  ['Linearity, best line', spanText(left.linearity_independent)],
  ['Linearity, through both ends', spanText(left.linearity_terminal)],
  ['Linearity, through zero', spanText(left.linearity_zero)],
  ['Uncertainty, k = 2', `± ${spanText(uncertainty, 2)}`],
];

/** Errors against input on paper: as left black, as found pale, the tolerance behind. */
export function drawTable(
  doc: PDFKit.PDFDocument,
  { as_found: found, as_left: left, tolerance }: Tables,
  box: Box,
): void {
  const errors = [...(found?.points ?? []), ...left.points].map(({ at, share }) => Math.abs(share - at));
  const reach = Math.max(2 * tolerance, ...errors) * 1.1;
  const [start, end] = [box.x + 34, box.x + box.width - 6];
  const bottom = box.y + box.height - 16;
  const x = (at: number) => start + (end - start) * at;
  const y = (error: number) => box.y + 16 + ((bottom - box.y - 16) * (reach - error)) / (2 * reach);
  doc.font('body').fontSize(8).fillColor('#5C6963');
  doc.text('Error against input, of span: as left black, as found pale', box.x, box.y);
  doc.rect(start, y(tolerance), end - start, y(-tolerance) - y(tolerance)).fill('#CDE6DD');
  for (const error of [tolerance, 0, -tolerance])
    doc.fillColor('#5C6963').text(spanText(error), box.x, y(error) - 4, { width: 30, align: 'right' });
  for (const at of [0, 0.25, 0.5, 0.75, 1])
    doc.text(`${at * 100} %`, x(at) - 20, bottom + 4, { width: 40, align: 'center' });
  const line = (table: SheetTable, direction: 'up' | 'down', colour: string) => {
    const points = table.points.filter((point) => point.direction === direction).sort((a, b) => a.at - b.at);
    points.forEach(({ at, share }, i) =>
      i ? doc.lineTo(x(at), y(share - at)) : doc.moveTo(x(at), y(share - at)),
    );
    doc.lineWidth(direction === 'up' ? 1.4 : 0.7).stroke(colour);
    for (const { at, share } of points)
      doc.circle(x(at), y(share - at), direction === 'up' ? 2.6 : 1.8).fill(colour);
  };
  if (found) line(found, 'up', '#B9B2A0');
  line(left, 'down', '#5C6963');
  line(left, 'up', '#17231F');
}

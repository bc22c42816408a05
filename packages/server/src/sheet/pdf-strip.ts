import { fromSI, printFigure, printTurns, type Gauge, type SheetSetting } from '@holvek/core';

type Box = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/** The lane strip of one setting on paper: readings walk down into the lane, a turn between two dots. */
export function drawStrip(
  doc: PDFKit.PDFDocument,
  setting: SheetSetting,
  gauge: Gauge | undefined,
  box: Box,
): void {
  const unit = gauge?.unit ?? 'kPa';
  // A vacuum is drawn by its size.
  const sign = setting.target.set_point_pa < 0 ? -1 : 1;
  const { tolerance_pa: tolerance } = setting.target;
  const target = sign * setting.target.set_point_pa;
  const limit = sign * setting.target.limit_pa;
  const dots = setting.dots.map((dot) => ({ ...dot, pressure_pa: sign * dot.pressure_pa }));
  const highest = Math.max(limit * 1.06, ...dots.map(({ pressure_pa }) => pressure_pa));
  const x = (pa: number) => box.x + 8 + ((box.width - 16) * Math.max(0, pa)) / highest;
  const bottom = box.y + box.height - 18;
  doc.rect(x(target - tolerance), box.y + 16, x(target + tolerance) - x(target - tolerance), bottom - box.y - 16).fill('#CDE6DD'); // prettier-ignore
  doc.rect(x(limit), box.y + 16, box.x + box.width - x(limit), bottom - box.y - 16).fill('#F8DDD5');
  doc
    .moveTo(box.x, bottom)
    .lineTo(box.x + box.width, bottom)
    .lineWidth(0.7)
    .stroke('#D8D2C3');
  doc.font('body').fontSize(8).fillColor('#5C6963');
  doc.text(`${setting.name}: settled readings, a turn between two dots`, box.x, box.y);
  const step = niceStep(fromSI(highest, unit) / 4);
  const scale = highest / fromSI(highest, unit);
  for (let value = 0; value * scale < highest; value += step)
    doc.text(String(Math.round(value * 100) / 100), x(value * scale) - 20, bottom + 4, {
      width: 40,
      align: 'center',
    });
  const rowHeight = Math.min(26, (bottom - box.y - 30) / Math.max(1, dots.length));
  let before: { readonly cx: number; readonly cy: number } | undefined;
  dots.forEach(({ pressure_pa, turns }, i) => {
    const cx = x(pressure_pa);
    const cy = box.y + 26 + i * rowHeight;
    if (before) {
      const middle = (before.cy + cy) / 2;
      doc
        .moveTo(before.cx, before.cy)
        .bezierCurveTo(before.cx, middle, cx, middle, cx, cy)
        .lineWidth(1.6)
        .stroke('#17231F');
      const label = `${turns < 0 ? '−' : '+'}${printTurns(turns)}`;
      doc
        .font('body')
        .fontSize(8)
        .fillColor('#5C6963')
        .text(label, (before.cx + cx) / 2 + 6, middle - 9);
    }
    before = { cx, cy };
  });
  dots.forEach(({ pressure_pa }, i) => {
    const cy = box.y + 26 + i * rowHeight;
    doc.circle(x(pressure_pa), cy, 3.6).fill('#17231F');
    const text = printFigure(pressure_pa, unit, gauge?.resolution_pa).replace(/\u2009/gu, ' ');
    doc
      .font('figures')
      .fontSize(8)
      .fillColor('#17231F')
      .text(text, x(pressure_pa) - 44, cy - 4, { width: 36, align: 'right' });
  });
}

/** 1, 2 or 5 times a power of ten, at or above what is asked. */
function niceStep(wanted: number): number {
  const power = 10 ** Math.floor(Math.log10(wanted));
  return (wanted <= power ? 1 : wanted <= 2 * power ? 2 : wanted <= 5 * power ? 5 : 10) * power;
}

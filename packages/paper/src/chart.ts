import { pathOf, type Chart, type Dot } from '@holvek/core';
import { ink, plain, toneFill, toneInk, type Doc } from './page';

type Box = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
};

/** Room for the words on the axes. */
const AXIS = { left: 54, bottom: 16 };
const SHARE = 0.62;

export const heightOfChart = ({ aspect }: Chart, width: number): number =>
  Math.round(width * SHARE * aspect) + AXIS.bottom;

/** A chart from its geometry, the same as on the screen. */
export function drawChart(doc: Doc, chart: Chart, box: Box): void {
  const left = chart.yTicks.length > 0 ? AXIS.left : 0;
  const plot: Box = {
    x: box.x + left,
    y: box.y,
    width: box.width - left,
    height: box.height - AXIS.bottom,
  };
  drawBands(doc, chart, plot);
  doc.rect(plot.x, plot.y, plot.width, plot.height).lineWidth(0.5).stroke(ink.line);
  drawTicks(doc, chart, plot);
  for (const curve of chart.curves) {
    doc.save().translate(plot.x, plot.y);
    doc.path(pathOf(curve, plot)).lineWidth(1.2);
    if (curve.isDashed) doc.dash(3, { space: 2 });
    doc.stroke(toneInk[curve.tone]).undash().restore();
  }
  for (const dot of chart.dots) drawDot(doc, dot, plot);
}

function drawBands(doc: Doc, { bands }: Chart, plot: Box): void {
  for (const { along, from, to, tone, say } of bands) {
    const [low, high] = [Math.min(from, to), Math.max(from, to)];
    const isUpright = along === 'x';
    const x = plot.x + (isUpright ? low * plot.width : 0);
    const y = plot.y + (isUpright ? 0 : low * plot.height);
    const width = isUpright ? (high - low) * plot.width : plot.width;
    const height = isUpright ? plot.height : (high - low) * plot.height;
    doc.rect(x, y, width, height).fillOpacity(0.8).fill(toneFill[tone]).fillOpacity(1);
    if (say) small(doc, say, { x: x + 3, y: y + 2, colour: toneInk[tone] });
  }
}

function drawTicks(doc: Doc, { xTicks, yTicks }: Chart, plot: Box): void {
  for (const { at, say } of xTicks)
    doc
      .font('figures')
      .fontSize(7)
      .fillColor(ink.muted)
      .text(plain(say), plot.x + at * plot.width - 30, plot.y + plot.height + 4, {
        width: 60,
        align: 'center',
        lineBreak: false,
      });
  for (const { at, say } of yTicks)
    doc
      .font('figures')
      .fontSize(7)
      .fillColor(ink.muted)
      .text(plain(say), plot.x - AXIS.left, plot.y + at * plot.height - 4, {
        width: AXIS.left - 6,
        align: 'right',
        lineBreak: false,
      });
}

function drawDot(doc: Doc, { x, y, tone, shape, say, sayAbove }: Dot, plot: Box): void {
  const at = { x: plot.x + x * plot.width, y: plot.y + y * plot.height };
  const colour = toneInk[tone];
  if (shape === 'ring') doc.circle(at.x, at.y, 3).lineWidth(1.2).stroke(colour);
  else if (shape === 'round') doc.circle(at.x, at.y, 3).fill(colour);
  else {
    const tip = shape === 'up' ? -4 : 4;
    doc.polygon([at.x - 4, at.y - tip], [at.x + 4, at.y - tip], [at.x, at.y + tip]).fill(colour);
  }
  if (!say) return;
  const isRight = x > 0.7;
  const width = 90;
  doc
    .font('figures')
    .fontSize(7)
    .fillColor(ink.text)
    .text(plain(say), isRight ? at.x - width - 6 : at.x + 6, at.y - (sayAbove ? 11 : 4), {
      width,
      align: isRight ? 'right' : 'left',
      lineBreak: false,
    });
}

const small = (
  doc: Doc,
  text: string,
  { x, y, colour }: { readonly x: number; readonly y: number; readonly colour: string },
): void => {
  doc.font('body').fontSize(7).fillColor(colour).text(plain(text), x, y, { lineBreak: false });
};

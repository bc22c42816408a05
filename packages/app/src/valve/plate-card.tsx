import {
  adjusterPlate,
  adjustersOf,
  familyName,
  printFigure,
  fittedSpring,
  fractionOf,
  hasElectronics,
  isInstrument,
  signalAt,
  standardOf,
  standardSignals,
  sizeWords,
  type InstrumentPlate,
  ratingOf,
  ratingWords,
  taughtBy,
  type Plate,
  type Valve,
  type ValveVisit,
} from '@holvek/core';
import { familyView } from '@/family/views';
import { useUnits, type Units } from '@/units/use-units';
import { Card, Row } from '@/ui/card';
import { Heading } from '@/ui/words';
import { signalWords } from '@/words/signal-words';

/** What the plate says, and what the valve itself has taught of its screws. */
export function PlateCard({
  valve,
  sheets,
}: {
  readonly valve: Valve;
  readonly sheets: readonly ValveVisit[];
}) {
  const units = useUnits();
  const { plate } = valve;
  const specs = adjustersOf(plate);
  const side = specs[0]!.role;
  return (
    <Card>
      <Heading>{familyName[plate.family]}</Heading>
      {isInstrument(plate) && !hasElectronics(plate) ? <SignalRows plate={plate} /> : null}
      {hasElectronics(plate)
        ? null
        : specs.map(({ id, name }) => (
            <Row key={id} label={name}>
              {rateSay(valve, sheets, id, units)}
            </Row>
          ))}
      {isInstrument(plate) ? null : <Row label="Spring">{springSay(plate, units)}</Row>}
      {(familyView(plate.family).rows?.(plate, units) ?? []).map(([label, say]) => (
        <Row key={label} label={label}>
          {say}
        </Row>
      ))}
      <Row label="Size">{sizeWords(plate.size_dn)}</Row>
      <Row label={ratingWords(plate, side)}>{units.withUnit(ratingOf(plate, side))}</Row>
      <Row label="Accessories" isLast={!plate.approval}>
        {plate.accessories.join(', ') || 'none'}
      </Row>
      {plate.approval ? (
        <Row label="Approval" isLast>
          {plate.approval.scheme}
        </Row>
      ) : null}
    </Card>
  );
}

/** The plate’s input in every usual signal, side by side. */
function SignalRows({ plate: { input } }: { readonly plate: InstrumentPlate }) {
  const units = useUnits();
  const whole = standardOf(input);
  if (!whole) return null;
  const at = (si: number) => {
    const share = fractionOf(whole, si);
    return share.ok ? share.value : 0;
  };
  return standardSignals
    .filter(({ id }) => id !== whole.id)
    .map((signal) => (
      <Row key={signal.id} label={`as ${signal.unit}`}>
        {signalWords(
          {
            kind: signal.kind,
            low: signalAt(signal, at(input.low)),
            high: signalAt(signal, at(input.high)),
          },
          {
            ...units,
            pressure: signal.kind === 'pressure' ? signal.unit : units.pressure,
            figure: (pa) => printFigure(pa, signal.unit),
          },
        )}
      </Row>
    ));
}

function rateSay(valve: Valve, sheets: readonly ValveVisit[], id: string, units: Units): string {
  const own = adjusterPlate(valve.plate, id);
  const way = own.clockwise === 'unknown' ? 'way not known' : `clockwise ${own.clockwise}`;
  const taught = taughtBy(sheets, valve, id).slice(-3);
  if (taught.length > 0) {
    const mean = taught.reduce((sum, { rate }) => sum + Math.abs(rate), 0) / taught.length;
    return `${units.withUnit(mean)} a turn, ${taught.length} ${taught.length === 1 ? 'sheet' : 'sheets'} · ${way}`;
  }
  const spring = fittedSpring(own);
  return spring ? `${units.withUnit(spring.rate_pa_per_turn)} a turn, by the chart · ${way}` : way;
}

const springSay = (plate: Plate, units: Units): string => {
  const spring = fittedSpring(plate);
  return spring
    ? `${spring.colour}, ${units.figure(spring.from_pa)} to ${units.withUnit(spring.to_pa)}`
    : 'not in the chart';
};

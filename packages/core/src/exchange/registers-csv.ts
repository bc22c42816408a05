import Papa from 'papaparse';
import { fromCounts, registers, type RegisterKey } from '../device';

const digits = (value: number): number => Number(value.toPrecision(8));

/**
 * The register map as a table: address, kind, name, what one count stands for, ends, codes, and the
 * values where they are known.
 *
 * @param values  in the registers’ units
 */
export const registersCsv = (values: Readonly<Partial<Record<RegisterKey, number>>> = {}): string =>
  Papa.unparse(
    registers.map((register) => ({
      address: register.address,
      kind: register.kind,
      access: { holding: 'read and write', input: 'read', coil: 'write 1' }[register.kind],
      name: register.name,
      unit: register.unit,
      per_count: register.perCount,
      low: digits(fromCounts(register, register.low)),
      high: digits(fromCounts(register, register.high)),
      codes: Object.entries(register.codes ?? {})
        .map(([code, say]) => `${code} ${say}`)
        .join(', '),
      value: values[register.key] === undefined ? '' : digits(values[register.key]!),
    })),
    { newline: '\r\n' },
  );

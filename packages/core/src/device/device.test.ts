import fc from 'fast-check';
import { registersCsv } from '../exchange';
import { formatReply, parseReply, parseRequest, refuse } from './register-line';
import { fromCounts, registerAt, registerOf, registers, toCounts } from './registers';

describe('register map', () => {
  test('addresses are apart, and stand where their kind belongs', () => {
    expect(new Set(registers.map(({ address }) => address)).size).toBe(registers.length);
    for (const { kind, address } of registers)
      expect(Math.floor(address / 10_000)).toBe({ coil: 0, input: 3, holding: 4 }[kind]);
  });

  test('values go to counts and back within half a count', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...registers),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (register, share) => {
          const value = fromCounts(register, register.low + share * (register.high - register.low));
          const counts = toCounts(register, value);
          expect(
            counts.ok && Math.abs(fromCounts(register, counts.value) - value),
          ).toBeLessThanOrEqual(register.perCount * 0.5000001);
        },
      ),
    );
  });

  test.each([
    ['set_value', 9e6],
    ['manual_output', 1.2],
    ['trim_zero', -0.11],
    ['application', 3],
    ['gain', Number.NaN],
  ] as const)('%s does not take %d', (key, value) => {
    const refused = toCounts(registerOf(key), value);
    expect(!refused.ok && refused.error).toMatchObject({
      code: 'device.out_of_range',
      register: key,
    });
  });

  test('goes out as a table with every address, what a count stands for, and known values', () => {
    const lines = registersCsv({ set_value: 640_000, application: 2 }).split('\r\n');
    expect(lines).toHaveLength(registers.length + 1);
    expect(lines[0]).toBe('address,kind,access,name,unit,per_count,low,high,codes,value');
    expect(lines.find((line) => line.startsWith('40006'))).toBe(
      '40006,holding,read and write,Set value,Pa,100,-100000,6553500,,640000',
    );
    expect(lines.find((line) => line.startsWith('40001'))).toContain(
      '"1 reducing, 2 back pressure",2',
    );
  });
});

describe('register lines', () => {
  test('are read with any spacing and in any case', () => {
    expect(parseRequest('  r   40006 ')).toEqual({
      ok: true,
      value: { kind: 'read', address: 40_006, count: 1 },
    });
    expect(parseRequest('W 40004 -12')).toEqual({
      ok: true,
      value: { kind: 'write', address: 40_004, counts: -12 },
    });
  });

  test.each([
    ['', 'syntax'],
    ['hello', 'syntax'],
    ['R', 'syntax'],
    ['R 40001 0', 'syntax'],
    ['R 40001 33', 'syntax'],
    ['R forty', 'syntax'],
    ['W 40006', 'syntax'],
    ['W 40006 1.5', 'syntax'],
    ['W 40006 1 2', 'syntax'],
    ['R 49999', 'address'],
    ['W 29999 1', 'address'],
  ] as const)('«%s» is refused for its %s', (line, refusal) => {
    expect(parseRequest(line)).toEqual(refuse(refusal));
  });

  test('answers are read back as they were sent, and only for their own register', () => {
    const line = formatReply({ ok: true, value: { address: 40_001, counts: [1, 0, -7] } });
    expect(line).toBe('= 40001 1 0 -7');
    expect(parseReply(line, registerAt(40_001)!)).toEqual({ ok: true, value: [1, 0, -7] });
    for (const wrong of [line.replace('40001', '40002'), '= 40001', '= 40001 x', '?', ''])
      expect(parseReply(wrong, registerAt(40_001)!)).toEqual({
        ok: false,
        error: { code: 'device.garbled', line: wrong },
      });
  });

  test('a refusal comes back as the word it was', () => {
    expect(parseReply(formatReply(refuse('busy')), registerAt(1)!)).toEqual(refuse('busy'));
    expect(parseReply('! whatever', registerAt(1)!).ok).toBe(false);
    expect(formatReply({ ok: false, error: { code: 'device.garbled', line: 'x' } })).toBe(
      '! syntax',
    );
  });
});

import { radioName, radioServiceSchema } from './radio-service';

const whole = '6e400001-b5a3-f393-e0a9-e50e24dcca9e';

test.each([
  ['FFE0', '0000ffe0-0000-1000-8000-00805f9b34fb'],
  [' 0000ffe0 ', '0000ffe0-0000-1000-8000-00805f9b34fb'],
  [whole.toUpperCase(), whole],
  ['FFE', undefined],
  ['FFE00', undefined],
  ['FFG0', undefined],
  [whole.replaceAll('-', ''), undefined],
  ['', undefined],
])('the name %s of a service is %s', (text, name) => {
  expect(radioName(text)).toBe(name);
});

test('a service is kept by its whole names, and one that is not asked has none for that', () => {
  const service = { service: whole, hears: radioName('ffe1')! };
  expect(radioServiceSchema.parse(service)).toEqual(service);
  expect(radioServiceSchema.safeParse({ ...service, hears: 'ffe1' }).success).toBe(false);
  expect(radioServiceSchema.safeParse({ ...service, says: 'FFE2' }).success).toBe(false);
});

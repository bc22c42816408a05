import { err, ok, type Result } from '../result';
import { registerAt, type Register } from './registers';

/** A line to the device: `R 40006`, `R 40001 13`, `W 40006 5200`. */
export type RegisterRequest =
  | { readonly kind: 'read'; readonly address: number; readonly count: number }
  | { readonly kind: 'write'; readonly address: number; readonly counts: number };

/** Why the device does not do it; the word that stands on the line. */
export const refusals = ['syntax', 'address', 'read_only', 'range', 'busy', 'no_power'] as const;
export type Refusal = (typeof refusals)[number];
export type RegisterLineError =
  | { readonly code: 'device.refused'; readonly refusal: Refusal }
  | { readonly code: 'device.garbled'; readonly line: string };

const MOST_AT_ONCE = 32;

/**
 * One request of the line protocol. Words are apart by spaces; capitals do not matter.
 *
 * @errors  device.refused: `syntax` for what is no request, `address` where there is no such register
 * @example parseRequest('W 40006 5200') // → ok({ kind: 'write', address: 40_006, counts: 5200 })
 */
export function parseRequest(line: string): Result<RegisterRequest, RegisterLineError> {
  const [verb = '', ...words] = line.trim().toUpperCase().split(/\s+/u);
  const numbers = words.map((word) => (/^-?\d{1,6}$/u.test(word) ? Number(word) : NaN));
  const [address = NaN, second] = numbers;
  const isSound = numbers.every((number) => !Number.isNaN(number));
  if (!isSound || Number.isNaN(address)) return refuse('syntax');
  if (verb === 'R' && words.length <= 2) {
    const count = second ?? 1;
    if (count < 1 || count > MOST_AT_ONCE) return refuse('syntax');
    return registerAt(address) ? ok({ kind: 'read', address, count }) : refuse('address');
  }
  if (verb === 'W' && words.length === 2)
    return registerAt(address)
      ? ok({ kind: 'write', address, counts: second! })
      : refuse('address');
  return refuse('syntax');
}

export const refuse = (refusal: Refusal) => err({ code: 'device.refused', refusal } as const);

/** `= 40006 5200` and what follows it, or `! range`. */
export const formatReply = (
  reply: Result<
    { readonly address: number; readonly counts: readonly number[] },
    RegisterLineError
  >,
): string =>
  reply.ok
    ? `= ${[reply.value.address, ...reply.value.counts].join(' ')}`
    : `! ${reply.error.code === 'device.refused' ? reply.error.refusal : 'syntax'}`;

/**
 * What a device answered, as counts.
 *
 * @errors  device.refused with the device's word; device.garbled for what is no answer to this register
 */
export function parseReply(
  line: string,
  { address }: Pick<Register, 'address'>,
): Result<readonly number[], RegisterLineError> {
  const [mark, ...words] = line.trim().split(/\s+/u);
  if (mark === '!') {
    const refusal = refusals.find((word) => word === words[0]);
    return refusal ? refuse(refusal) : err({ code: 'device.garbled', line });
  }
  const numbers = words.map(Number);
  const isWhole = mark === '=' && numbers.length > 1 && numbers.every((n) => Number.isInteger(n));
  return isWhole && numbers[0] === address
    ? ok(numbers.slice(1))
    : err({ code: 'device.garbled', line });
}

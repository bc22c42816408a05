import {
  err,
  fromCounts,
  ok,
  parseReply,
  registerOf,
  toCounts,
  type RegisterError,
  type RegisterKey,
  type RegisterLineError,
  type Result,
} from '@holvek/core';

export type DeviceError = RegisterError | RegisterLineError | { readonly code: 'device.no_answer' };
export type Ask = (line: string) => Promise<string | undefined>;

/** Reads a register, in its unit. */
export async function readRegister(
  ask: Ask,
  key: RegisterKey,
): Promise<Result<number, DeviceError>> {
  const register = registerOf(key);
  const line = await ask(`R ${register.address}`);
  if (line === undefined) return err({ code: 'device.no_answer' });
  const reply = parseReply(line, register);
  return reply.ok ? ok(fromCounts(register, reply.value[0]!)) : reply;
}

/** Writes a register and reads it back: what it holds then, in its unit. */
export async function writeRegister(
  ask: Ask,
  key: RegisterKey,
  value: number,
): Promise<Result<number, DeviceError>> {
  const register = registerOf(key);
  const counts = toCounts(register, value);
  if (!counts.ok) return counts;
  const line = await ask(`W ${register.address} ${counts.value}`);
  if (line === undefined) return err({ code: 'device.no_answer' });
  const reply = parseReply(line, register);
  if (!reply.ok) return reply;
  return register.kind === 'coil' ? ok(value) : readRegister(ask, key);
}

/** Several registers one after the other; the first that fails ends it. */
export async function readRegisters<K extends RegisterKey>(
  ask: Ask,
  keys: readonly K[],
): Promise<Result<Readonly<Record<K, number>>, DeviceError>> {
  const values: Partial<Record<K, number>> = {};
  for (const key of keys) {
    const read = await readRegister(ask, key);
    if (!read.ok) return read;
    values[key] = read.value;
  }
  return ok(values as Record<K, number>);
}

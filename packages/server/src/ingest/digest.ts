import { canonicalJson } from '@holvek/core';
import { createHash } from 'node:crypto';

/** The core's `digestOf` by the machine's own SHA-256: the same digest, many times as fast. */
export const digestOnServer = (value: unknown): string =>
  createHash('sha256').update(canonicalJson(value), 'utf8').digest('hex');

import { sheetSchema, type Sheet } from '@holvek/core';

type Row = { readonly id: string; readonly hash: string; readonly body: string };

/** A sheet as its row keeps it. */
export const toSheet = ({ id, hash, body }: Row): Sheet =>
  sheetSchema.parse({ id, hash, body: JSON.parse(body) });

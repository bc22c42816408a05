type Samples = readonly { readonly t: number; readonly value: number }[];

/** Pressure at which the contact last came to a state, since a moment; undefined while it has not. */
export function lastChange(
  contact: Samples,
  pressure: Samples,
  to: number,
  since: number,
): number | undefined {
  // Only the change into the state it is in now: an older one belongs to the mark before.
  if (contact.at(-1)?.value !== to) return undefined;
  for (let i = contact.length - 1; i > 0; i--) {
    const at = contact[i]!;
    if (at.t <= since) return undefined;
    if (at.value === to && contact[i - 1]!.value !== to)
      return pressure.find(({ t }) => t === at.t)?.value;
  }
  return undefined;
}

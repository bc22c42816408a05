import type { Valve } from '@holvek/core';

/** What a code or a typed word leads to. */
export type LabelRead =
  | { readonly kind: 'valve'; readonly valve: Valve }
  /** One of our labels, for a valve that this register does not hold. */
  | { readonly kind: 'not_here'; readonly id: string }
  | { readonly kind: 'other'; readonly text: string };

const ADDRESS = /^\/valves\/([^/]+)\/?$/u;

/**
 * Which valve a label means. A label that was printed while the house had another address means the same
 * valve: only its path counts. A typed word is a tag, an id or a serial number, whatever its capitals.
 */
export function readLabel(text: string, valves: readonly Valve[]): LabelRead {
  const said = text.trim();
  const id = idIn(said);
  const plain = said.toLowerCase();
  const valve = valves.find((each) =>
    id === undefined ? namesOf(each).includes(plain) : each.id === id,
  );
  if (valve) return { kind: 'valve', valve };
  return id === undefined ? { kind: 'other', text: said } : { kind: 'not_here', id };
}

const namesOf = ({ tag, id, about }: Valve): readonly string[] =>
  [tag, id, about?.serial].flatMap((name) => (name === undefined ? [] : [name.toLowerCase()]));

/** The id in an address of ours; undefined for what is no such address. */
function idIn(text: string): string | undefined {
  try {
    const { protocol, pathname } = new URL(text);
    const [, id] = /^https?:$/u.test(protocol) ? (ADDRESS.exec(pathname) ?? []) : [];
    return id === undefined ? undefined : decodeURIComponent(id);
  } catch {
    return undefined;
  }
}

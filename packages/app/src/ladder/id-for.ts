/** Names become ids that a file can carry; a number is added where the id is taken. */
export function idFor(name: string, taken: readonly string[]): string {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/gu, '_')
      .replace(/^_|_$/gu, '')
      .slice(0, 40) || 'rung';
  let id = plain;
  for (let n = 2; taken.includes(id); n++) id = `${plain}_${n}`;
  return id;
}

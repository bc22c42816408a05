/** Text of a file that the person picks; undefined when none was picked. */
export function pickText(accept: string): Promise<string | undefined> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => void (input.files?.[0]?.text() ?? Promise.resolve(undefined)).then(resolve);
    input.oncancel = () => resolve(undefined);
    input.click();
  });
}

/** Hands text to the person as a file. */
export function saveText(name: string, text: string, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** Text of a file that the person picks; undefined when none was picked. */
export const pickText = async (accept: string): Promise<string | undefined> =>
  (await pickFile(accept))?.text();

/** Puts text on the clipboard; false where the browser does not allow it. */
export const copyText = async (text: string): Promise<boolean> =>
  // oxlint-disable-next-line typescript/no-unnecessary-condition -- absent outside a secure context
  navigator.clipboard?.writeText(text).then(
    () => true,
    () => false,
  ) ?? false;

/** Hands text to the person as a file. */
export const saveText = (name: string, text: string, type: string): void =>
  saveBlob(name, new Blob([text], { type }));

/** Hands a file to the person. */
export function saveBlob(name: string, blob: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/**
 * A file that the person picks; undefined when none was picked.
 *
 * @param isFromCamera  a phone opens its camera instead of its files
 */
export function pickFile(accept: string, isFromCamera = false): Promise<File | undefined> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    if (isFromCamera) input.capture = 'environment';
    input.onchange = () => resolve(input.files?.[0]);
    input.oncancel = () => resolve(undefined);
    input.click();
  });
}

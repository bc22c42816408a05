/** What Expo puts in the place of `import.meta`; its own setup does not run in a worker, and pdfkit asks for it. */
const world = globalThis as { __ExpoImportMetaRegistry?: { readonly url: string } };
world.__ExpoImportMetaRegistry ??= { url: globalThis.location.href };

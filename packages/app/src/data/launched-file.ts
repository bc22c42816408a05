/** A file that the system opened with this app, as Chromium hands it over. */
type LaunchParams = { readonly files?: readonly { readonly getFile: () => Promise<File> }[] };
type LaunchQueue = { readonly setConsumer: (take: (params: LaunchParams) => void) => void };

let waiting: File | undefined;
const listeners = new Set<() => void>();

const keep = (file: File | undefined) => {
  waiting = file;
  for (const tell of listeners) tell();
};

/** Takes what the app is opened with from here on; browsers without such a queue never bring anything. */
export function listenForLaunches(from: object = window): void {
  const { launchQueue } = from as { readonly launchQueue?: LaunchQueue };
  launchQueue?.setConsumer(({ files }) => {
    const [first] = files ?? [];
    if (first) void first.getFile().then(keep);
  });
}

export const launchedFile = {
  snapshot: (): File | undefined => waiting,
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  /** It is being looked at: the next visit of the page does not find it again. */
  taken: (): void => keep(undefined),
};

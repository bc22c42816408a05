export declare const browserPackage: string;
export declare const hasShell: () => boolean;
/** Where Debian's Chromium is; `CHROMIUM` says it otherwise. */
export declare const browserPath: () => string;

export declare const root: string
export declare function ensurePackages(): void
export declare function say(line: string): void

export function freePort(): Promise<number>;
export function listenFault(port: number, host: string): Promise<string | null>;

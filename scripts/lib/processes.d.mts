export function endAll(): Promise<void>;
export function isAlive(pid: number): boolean;

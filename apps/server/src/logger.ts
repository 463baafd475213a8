import type { LoggerService } from "@nestjs/common";
import { pino, type Logger } from "pino";

export function createLogger(level: string): Logger {
  return pino({ level, base: null });
}

/** Nest's own messages through pino. */
export class NestLogger implements LoggerService {
  constructor(private readonly logger: Logger) {}

  log(message: unknown, context?: string): void {
    this.logger.debug({ context }, String(message));
  }
  warn(message: unknown, context?: string): void {
    this.logger.warn({ context }, String(message));
  }
  error(message: unknown, stack?: string, context?: string): void {
    this.logger.error({ context, stack }, String(message));
  }
}

import { MessageChannel } from "node:worker_threads";
import { expose, type Endpoint } from "comlink";

/** Has every worker that is started from now on do this, on the same thread; what it throws its caller hears. */
export function workedBy(work: object): void {
  class NearWorker {
    private readonly channel = new MessageChannel();
    private readonly port = this.channel.port2 as unknown as Endpoint;
    readonly postMessage = this.port.postMessage.bind(this.port);
    readonly addEventListener = this.port.addEventListener.bind(this.port);
    readonly removeEventListener = this.port.removeEventListener.bind(this.port);

    constructor() {
      expose(work, this.channel.port1 as unknown as Endpoint);
      this.port.start?.();
    }

    terminate(): void {
      this.channel.port1.close();
    }
  }
  Object.assign(globalThis, { Worker: NearWorker });
}

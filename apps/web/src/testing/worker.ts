import { MessageChannel } from "node:worker_threads";
import { expose, type Endpoint } from "comlink";

const open: { readonly close: () => void }[] = [];

class OpenChannel extends MessageChannel {
  constructor() {
    super();
    open.push(this.port1);
  }
}

/** Closes what workers were handed to call back, which nothing else does. */
export function closeChannels(): void {
  for (const port of open.splice(0)) port.close();
}

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
  // Whoever hands a worker something to call back does it by a channel of their own.
  Object.assign(globalThis, { Worker: NearWorker, MessageChannel: OpenChannel });
}

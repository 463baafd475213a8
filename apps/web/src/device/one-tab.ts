/**
 * A set is counted in one tab. Whoever opens its drill last has it; a tab that had it puts down what was tapped first,
 * so that nothing is counted twice and nothing is lost. Where tabs cannot speak to one another, each goes by itself.
 */
import { v7 as uuid } from "uuid";

type Message =
  | { readonly kind: "opened"; readonly key: string; readonly by: string }
  | { readonly kind: "wait" | "put-down"; readonly to: string };

function isMessage(value: unknown): value is Message {
  return typeof value === "object" && value !== null && "kind" in value;
}

export interface Claiming {
  /** Writes down what was tapped here. */
  readonly putDown: () => Promise<void>;
  /** Another tab has it now. */
  readonly lost: () => void;
}

export interface Claim {
  /** Whether another tab had the set; told when that one has put it down, or when nobody says that they had it. */
  readonly taken: Promise<boolean>;
  readonly release: () => void;
}

const CHANNEL = "mirrup-runs";
/** A tab that has the set says so in a few milliseconds, and has put it down soon after. */
const ANSWERED_MS = 150;
const PUT_DOWN_MS = 2000;

/** Takes the set of a drill over from whatever tab has it, until another one does or it is released. */
export function claimRun(key: string, { putDown, lost }: Claiming): Claim {
  if (typeof BroadcastChannel === "undefined")
    return { taken: Promise.resolve(false), release: () => undefined };
  const by = uuid();
  const channel = new BroadcastChannel(CHANNEL);
  const say = (message: Message) => channel.postMessage(message);
  let has = true;
  let take: (had: boolean) => void = () => undefined;
  const taken = new Promise<boolean>((resolve) => {
    take = resolve;
  });
  let timer = setTimeout(() => take(false), ANSWERED_MS);
  channel.onmessage = ({ data }: MessageEvent<unknown>) => {
    if (!isMessage(data)) return;
    if (data.kind !== "opened") {
      if (data.to !== by) return;
      clearTimeout(timer);
      if (data.kind === "put-down") take(true);
      else timer = setTimeout(() => take(true), PUT_DOWN_MS);
    } else if (data.key === key && data.by !== by && has) {
      // A tab that has lost the set says nothing more: only who has it can say that it is put down.
      has = false;
      lost();
      say({ kind: "wait", to: data.by });
      const answer = () => say({ kind: "put-down", to: data.by });
      void taken.then(putDown).then(answer, answer);
    }
  };
  say({ kind: "opened", key, by });
  return { taken, release: () => channel.close() };
}

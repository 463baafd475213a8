import { useEffect, useRef, useState } from "react";

/** The part of the browser's own speech recognition that is used; it is not in TypeScript's library. */
interface Recognizer extends EventTarget {
  lang: string;
  interimResults: boolean;
  start(): void;
  stop(): void;
  abort(): void;
}
type RecognizerMaker = new () => Recognizer;

function maker(): RecognizerMaker | null {
  const found: unknown =
    Reflect.get(window, "SpeechRecognition") ?? Reflect.get(window, "webkitSpeechRecognition");
  return typeof found === "function" ? (found as RecognizerMaker) : null;
}

/** The words of a result's first alternatives. */
function heardIn(event: Event): string {
  const results: unknown = Reflect.get(event, "results");
  const texts = Array.from(Object(results) as ArrayLike<ArrayLike<{ readonly transcript?: string }>>);
  return texts.map((one) => one[0]?.transcript ?? "").join(" ");
}

export type Dictation =
  /** The browser cannot: a keyboard often has a microphone of its own. */
  | { readonly kind: "none" }
  | { readonly kind: "ready" | "listening" | "failed"; readonly toggle: () => void };

/** Words that are spoken, as the browser hears them; silent where it cannot. */
export function useDictation(onHeard: (text: string) => void): Dictation {
  const [Maker] = useState(maker);
  const [kind, setKind] = useState<"ready" | "listening" | "failed">("ready");
  const running = useRef<Recognizer | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  if (Maker === null) return { kind: "none" };
  const listen = () => {
    const recognizer = new Maker();
    running.current = recognizer;
    recognizer.lang = navigator.language;
    recognizer.interimResults = false;
    recognizer.addEventListener("result", (event) => onHeard(heardIn(event)));
    recognizer.addEventListener("error", () => setKind("failed"));
    recognizer.addEventListener("end", () => {
      running.current = null;
      setKind((before) => (before === "listening" ? "ready" : before));
    });
    setKind("listening");
    try {
      recognizer.start();
    } catch {
      setKind("failed");
    }
  };
  return { kind, toggle: () => (running.current === null ? listen() : running.current.stop()) };
}

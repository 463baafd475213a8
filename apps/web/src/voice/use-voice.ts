import { useLocalStorage } from "@mantine/hooks";
import { useEffect, useRef, useState } from "react";
import { recordedWords, type Recorded } from "./recorded.js";
import { speak } from "./speak.js";

export interface Voice {
  readonly isAble: boolean;
  readonly isOn: boolean;
  readonly toggle: () => void;
  /** Whether anything would be heard. */
  readonly isReady: boolean;
  /** The recorded words once they are there, for whatever is said in time; null while it is off. */
  readonly recorded: Recorded | null;
  /** Says something now: by the device's own voice, else by recorded words. Silent where it is off. */
  readonly say: (text: string) => void;
  /** Says a number at once; a device's own voice takes its time. */
  readonly count: (number: number) => void;
}

const hasOwnVoice = () => typeof speechSynthesis !== "undefined" && speechSynthesis.getVoices().length > 0;

/** What is said aloud here: off until it is asked for, and then on every page of this device. */
export function useVoice(): Voice {
  const [isOn, setOn] = useLocalStorage({ key: "mirrup-voice", defaultValue: false });
  const [recorded, setRecorded] = useState<Recorded | null>(null);
  const audio = useRef<AudioContext | null>(null);
  const isAble = typeof AudioContext !== "undefined";
  useEffect(() => {
    if (!isOn || !isAble) return undefined;
    let isWanted = true;
    // Where they cannot be read there are words on the screen.
    recordedWords().then(
      (found) => isWanted && setRecorded(found),
      () => undefined,
    );
    return () => {
      isWanted = false;
      if (typeof speechSynthesis !== "undefined") speechSynthesis.cancel();
      void audio.current?.close();
      audio.current = null;
    };
  }, [isOn, isAble]);
  const speakNow = (text: string) => {
    if (recorded === null) return;
    audio.current ??= new AudioContext();
    audio.current.resume().catch(() => undefined);
    speak(audio.current, recorded, text, audio.current.currentTime);
  };
  return {
    isAble,
    isOn,
    toggle: () => setOn(!isOn),
    isReady: isOn && (recorded !== null || hasOwnVoice()),
    recorded: isOn ? recorded : null,
    say: (text) => {
      if (!isOn) return;
      if (!hasOwnVoice()) {
        speakNow(text);
        return;
      }
      // A call that is late is worse than none.
      speechSynthesis.cancel();
      const saying = new SpeechSynthesisUtterance(text);
      saying.lang = "en";
      speechSynthesis.speak(saying);
    },
    count: (number) => {
      if (isOn) speakNow(String(number));
    },
  };
}

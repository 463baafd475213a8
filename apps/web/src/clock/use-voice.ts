import { useLocalStorage } from "@mantine/hooks";
import { useEffect } from "react";

const isAble = () => typeof speechSynthesis !== "undefined";

/** Says what is called aloud where the device has a voice; off until it is asked for. */
export function useVoice(words: string | null) {
  const [isOn, setOn] = useLocalStorage({ key: "mirrup-voice", defaultValue: false });
  useEffect(() => {
    if (!isOn || words === null || !isAble()) return;
    // A call that is late is worse than none.
    speechSynthesis.cancel();
    const saying = new SpeechSynthesisUtterance(words);
    saying.lang = "en";
    speechSynthesis.speak(saying);
  }, [isOn, words]);
  useEffect(
    () => () => {
      if (isAble()) speechSynthesis.cancel();
    },
    [],
  );
  return { isAble: isAble(), isOn, toggle: () => setOn(!isOn) };
}

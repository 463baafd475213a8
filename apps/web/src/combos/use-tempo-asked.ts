import { COMBO_TEMPO } from "@mirrup/core/combos";
import { useLocalStorage } from "@mantine/hooks";

/** The tempo that combos are looked at, bounces a minute, as this device was last left. */
export function useTempoAsked() {
  const [kept, setKept] = useLocalStorage<number>({
    key: "mirrup-combo-tempo",
    defaultValue: COMBO_TEMPO.usual,
    getInitialValueInEffect: false,
  });
  const within = (tempo: number) =>
    Math.min(COMBO_TEMPO.most, Math.max(COMBO_TEMPO.least, Math.round(Number.isFinite(tempo) ? tempo : 120)));
  return { tempo: within(kept), setTempo: (tempo: number) => setKept(within(tempo)) };
}

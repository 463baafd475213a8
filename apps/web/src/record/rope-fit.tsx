import type { StudentDetail } from "@mirrup/contract";
import {
  DROP_MM,
  LINE_SHARE,
  ROPE_LINES,
  ROPE_USES,
  ropeFit,
  ropeMisfit,
  type RopeLine,
  type RopeUse,
} from "@mirrup/core";
import { Fieldset, Text } from "@mantine/core";
import { lengthIn, lengthWords, misfitWords } from "../app/words.js";
import { useSettings } from "../students/index.js";
import classes from "./record-page.module.css";

export const ROPE_USE_WORDS: Readonly<Record<RopeUse, string>> = {
  beginner: "a beginner",
  "crosses-and-doubles": "crosses and doubles",
  speed: "speed",
};

const LINE_WORDS: Readonly<Record<RopeLine, string>> = { armpit: "armpit", chest: "chest line" };

/** How long a rope should be for this height, by both schools, with the formula. */
export function RopeFit({ detail }: { readonly detail: StudentDetail }) {
  const { value, unit } = useSettings();
  const { heightMm, ropeUse, ropeLengthMm } = detail;
  const line = ROPE_LINES.find((one) => one === value("rope-line", detail.settings)) ?? "armpit";
  if (heightMm === null) {
    return (
      <Fieldset legend="Rope fit">
        <Text size="sm">Give the height, and the rope that fits is worked out here.</Text>
      </Fieldset>
    );
  }
  const wanted = ropeFit(heightMm, line, ropeUse);
  const misfit = ropeLengthMm === null ? null : ropeMisfit(ropeLengthMm, wanted);
  return (
    <Fieldset legend="Rope fit">
      <Text>
        For {ROPE_USE_WORDS[ropeUse]}, by the {LINE_WORDS[line]}: <strong>{lengthWords(wanted, unit)}</strong>
        , handle tip to handle tip.
      </Text>
      <Text size="sm" className={classes.quiet}>
        2 × ({LINE_SHARE[line]} × {lengthIn(heightMm, "cm")} − {DROP_MM[ropeUse] / 10}) + 2 cm
      </Text>
      {misfit !== null && (
        <Text mt="xs">{misfit === 0 ? "The rope in use fits." : misfitWords(misfit, unit)}</Text>
      )}
      <table className={classes.fit}>
        <thead>
          <tr>
            <th scope="col">For</th>
            {ROPE_LINES.map((one) => (
              <th key={one} scope="col">
                by the {LINE_WORDS[one]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROPE_USES.map((use) => (
            <tr key={use}>
              <th scope="row">{ROPE_USE_WORDS[use]}</th>
              {ROPE_LINES.map((one) => (
                <td key={one}>{lengthWords(ropeFit(heightMm, one, use), unit)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Fieldset>
  );
}

import { FUSED_FORMS, isFormCounted, settingValue } from "@mirrup/catalogue";
import { callOf, scoreOf, type SideName } from "@mirrup/core";
import { callSheet, COUNTS_A_GROUP, onSide, comboText, type ComboPart } from "@mirrup/core/combos";
import { Button, Title } from "@mantine/core";
import { IconPrinter, IconVolume } from "@tabler/icons-react";
import { useState } from "react";
import { counted } from "../app/plural.js";
import { skillName } from "../app/words.js";
import { Strip } from "../figure/index.js";
import { CallOut, useTempo } from "../floor/index.js";
import { useVoice } from "../voice/index.js";
import classes from "./combo.module.css";
import type { ComboNames } from "./words.js";

interface CallProps {
  readonly parts: readonly ComboPart[];
  readonly side: SideName;
  readonly names: ComboNames;
  /** Which fused doubles count here; the usual where nothing is set. */
  readonly accepted?: string;
}

/** A line a count, for a judge or a partner, with every form that has to be agreed on; and aloud, in time. */
export function Call({ parts, side, names, accepted = settingValue("fused-forms") }: CallProps) {
  const voice = useVoice();
  const tempo = useTempo(undefined, voice.recorded);
  const [isCalled, setCalled] = useState(false);
  const shown = onSide(parts, side);
  const lines = callSheet(shown, {
    isForm: (subject) => FUSED_FORMS.includes(subject),
    isAccepted: (subject) => isFormCounted(subject, accepted),
  });
  const score = scoreOf(comboText(shown));
  const pattern = callOf(score);
  const refused = lines.filter((line) => line.form?.isAccepted === false);
  return (
    <section className={classes.section} aria-label="Call sheet">
      <div className={classes.sectionHead}>
        <Title order={2}>Call sheet</Title>
        <Button
          variant="default"
          className={classes.noPrint}
          leftSection={<IconVolume size={18} aria-hidden />}
          onClick={() => {
            setCalled(true);
            tempo.call(pattern);
          }}
        >
          Call it out
        </Button>
        <Button
          variant="default"
          className={classes.noPrint}
          leftSection={<IconPrinter size={18} aria-hidden />}
          onClick={() => window.print()}
        >
          Print
        </Button>
      </div>
      {refused.length > 0 && (
        <p className={classes.failing}>
          {counted(refused.length, "form")} in it would not count here: agree on the forms first, or change
          what counts under Studio.
        </p>
      )}
      <Strip score={score} />
      <table className={classes.sheet}>
        <thead>
          <tr>
            <th scope="col">Count</th>
            <th scope="col">Move</th>
            <th scope="col">Begins</th>
            <th scope="col">Form</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ count, group, inGroup, words, begins, form }) => (
            <tr key={count} data-first={inGroup === 1}>
              <td>{inGroup === 1 && lines.length > COUNTS_A_GROUP ? `${group} · ${inGroup}` : inGroup}</td>
              <td>{words}</td>
              <td>{begins === null ? "" : (names.get(begins) ?? skillName(begins))}</td>
              <td>
                {form !== null &&
                  `${skillName(form.subject)}, ${form.preparedBy === "standing" ? "from standing" : `out of ${form.preparedBy}`}: ${form.isAccepted ? "counts" : "does not count here"}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {isCalled && (
        <CallOut
          pattern={pattern}
          beats={tempo.beats}
          onStop={() => {
            tempo.stop();
            setCalled(false);
          }}
        />
      )}
    </section>
  );
}

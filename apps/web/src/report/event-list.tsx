import { scoreOf } from "@mirrup/core";
import { Text, Title } from "@mantine/core";
import type { Sheet } from "../app/sheet.js";
import { counted } from "../app/plural.js";
import { capital, dateWords, FAMILY_NAMES, listWords, skillName } from "../app/words.js";
import { comboSideName, CountsGrid } from "../combos/index.js";
import type { formsOf, ShownCombo } from "./report.js";
import { learnedWords } from "./words.js";
import classes from "./report-page.module.css";

type Forms = ReturnType<typeof formsOf>;

/** The forms and combos as a table for whoever registers them. */
export function eventSheet(forms: Forms, combos: readonly ShownCombo[]): Sheet {
  const own = forms.flatMap(([family, ofFamily]) =>
    ofFamily.map(({ subject, sides }) => [
      FAMILY_NAMES[family],
      capital(skillName(subject)),
      sides.includes("left") || sides.includes("whole") ? "yes" : "",
      sides.includes("right") || sides.includes("whole") ? "yes" : "",
    ]),
  );
  const ofCombos = combos.map(({ name, sides }) => [
    "Combo",
    name,
    sides.includes("left") || sides.includes("whole") ? "yes" : "",
    sides.includes("right") || sides.includes("whole") ? "yes" : "",
  ]);
  return { fields: ["Family", "Form", "Left", "Right"], rows: [...own, ...ofCombos] };
}

interface EventListProps {
  readonly name: string;
  readonly today: string;
  readonly forms: Forms;
  readonly combos: readonly ShownCombo[];
}

/** What a student can show at an event: the forms, and each combo count by count. */
export function EventList({ name, today, forms, combos }: EventListProps) {
  const many = forms.reduce((sum, [, own]) => sum + own.length, 0);
  const what = [
    ...(many > 0 ? [counted(many, "form")] : []),
    ...(combos.length > 0 ? [counted(combos.length, "combo")] : []),
  ];
  return (
    <article className={classes.report}>
      <Title order={2}>{name}</Title>
      <Text className={classes.lead}>
        {what.length === 0
          ? "No form is cleared yet."
          : `${listWords(what)} can be shown, as of ${dateWords(today)}.`}
      </Text>
      {forms.map(([family, own]) =>
        own.length === 0 ? null : (
          <section key={family}>
            <Title order={3}>{FAMILY_NAMES[family]}</Title>
            <ul className={classes.columns}>
              {own.map((one) => (
                <li key={one.subject}>{capital(learnedWords(one).replace(/^the /, ""))}</li>
              ))}
            </ul>
          </section>
        ),
      )}
      {combos.length > 0 && (
        <section>
          <Title order={3}>Combos</Title>
          {combos.map(({ id, name: called, sides, score }) => (
            <section key={id} className={classes.combo} aria-label={called}>
              <Title order={4}>
                {[called, listWords(sides.map(comboSideName).filter(Boolean))].filter(Boolean).join(", ")}
              </Title>
              <CountsGrid score={scoreOf(score)} />
            </section>
          ))}
        </section>
      )}
    </article>
  );
}

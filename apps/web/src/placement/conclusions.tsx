import type { Conclusion } from "@mirrup/core/planning";
import { Accordion, Button, Text, Title } from "@mantine/core";
import { capital, percentWords, subjectName } from "../app/words.js";
import type { usePlacement } from "./use-placement.js";
import classes from "./placement-page.module.css";

/** From this chance on a side that nobody saw may be taken as known. */
const LIKELY = 0.9;

function Sides({
  sides,
  withChance = false,
}: {
  readonly sides: readonly Conclusion[];
  readonly withChance?: boolean;
}) {
  if (sides.length === 0) return <Text size="sm">None.</Text>;
  return (
    <ul className={classes.sides}>
      {sides.map(({ subject, side, chance }) => (
        <li key={`${subject} ${side}`}>
          {capital(subjectName(subject, side))}
          {withChance && <span className={classes.quiet}> {percentWords(chance)}</span>}
        </li>
      ))}
    </ul>
  );
}

/** What placement concluded: what was seen, what the tree makes sure, and what is only likely, apart. */
export function Conclusions({ placement }: { readonly placement: ReturnType<typeof usePlacement> }) {
  const { answers, isPending, takeBack, takeLikely } = placement;
  const { conclusions } = placement.placement;
  const by = (basis: Conclusion["basis"], isKnown: boolean) =>
    conclusions.filter((one) => one.basis === basis && one.isKnown === isKnown);
  const likely = by("likely", true).sort((one, other) => other.chance - one.chance);
  const sure = likely.filter((one) => one.chance >= LIKELY);
  const parts = [
    ["sure-known", `Sure to be known: ${by("sure", true).length}`, by("sure", true), false],
    ["sure-locked", `Sure to be locked: ${by("sure", false).length}`, by("sure", false), false],
    ["likely", `Likely known: ${likely.length}`, likely, true],
  ] as const;
  return (
    <aside className={classes.concluded} aria-label="What is concluded">
      <Title order={2}>Seen</Title>
      {answers.length === 0 && <Text size="sm">Nothing yet.</Text>}
      <ul className={classes.seen}>
        {[...answers].reverse().map((one) => (
          <li key={one.id}>
            <span>
              {capital(subjectName(one.subject, one.side))}: <strong>{one.answer}</strong>
            </span>
            <Button variant="subtle" size="compact-sm" onClick={() => void takeBack(one)}>
              Take back
            </Button>
          </li>
        ))}
      </ul>
      <Title order={2}>Concluded</Title>
      <Text size="sm" className={classes.quiet}>
        Sure is what the tree says: whoever passes a skill can do what it needs, and what needs a failed one
        is locked. Likely is a guess from everything together.
      </Text>
      <Accordion multiple chevronPosition="left">
        {parts.map(([value, title, sides, withChance]) => (
          <Accordion.Item key={value} value={value}>
            <Accordion.Control>{title}</Accordion.Control>
            <Accordion.Panel>
              <Sides sides={sides} withChance={withChance} />
            </Accordion.Panel>
          </Accordion.Item>
        ))}
      </Accordion>
      {sure.length > 0 && answers.length > 0 && (
        <>
          <Button
            mt="sm"
            fullWidth
            variant="default"
            loading={isPending}
            onClick={() => void takeLikely(sure)}
          >
            Take the {sure.length} likeliest as known
          </Button>
          <Text size="sm" mt={4} className={classes.quiet}>
            Those of {percentWords(LIKELY)} and more. They are drawn apart, meet plain needs, and the first
            set of one replaces the guess.
          </Text>
        </>
      )}
    </aside>
  );
}

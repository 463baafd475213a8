import { Button, Title, VisuallyHidden } from "@mantine/core";
import classes from "./weeks.module.css";

export interface Giving {
  readonly words: string;
  /** Plans it so; null for what the page cannot ask for itself. */
  readonly onPlan: (() => void) | null;
}

interface GivesProps {
  readonly gives: readonly Giving[];
  /** Whether they answer what was asked before, until the new answer is there. */
  readonly isOld: boolean;
}

/** What would have to give; what the page can ask for itself is one tap. */
export function Gives({ gives, isOld }: GivesProps) {
  if (gives.length === 0) return null;
  return (
    <section aria-label="What would have to give">
      <Title order={2} size="h3">
        What would have to give
      </Title>
      <ul className={classes.gives}>
        {gives.map(({ words, onPlan }) => (
          <li key={words}>
            {words}
            {onPlan !== null && (
              <Button variant="default" size="compact-md" disabled={isOld} onClick={onPlan}>
                Plan it that way<VisuallyHidden>: {words}</VisuallyHidden>
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

import type { RuleFault } from "@mirrup/core";
import { Button } from "@mantine/core";
import { useId, type ReactNode } from "react";
import classes from "./score-editor.module.css";

/** The text with what is wrong in it underlined; overlapping places are joined. */
function underlined(text: string, faults: readonly RuleFault[]): ReactNode[] {
  const pieces: ReactNode[] = [];
  let at = 0;
  for (const { from, to } of [...faults].sort((one, other) => one.from - other.from)) {
    if (to < at || (to === at && to !== from)) continue;
    const start = Math.max(from, at);
    pieces.push(text.slice(at, start));
    // A fault at the end of the text has nothing to underline but a space.
    pieces.push(<mark key={`${start} ${to} ${pieces.length}`}>{text.slice(start, to) || " "}</mark>);
    at = Math.max(at, to);
  }
  return [...pieces, text.slice(at)];
}

interface ScoreEditorProps {
  readonly text: string;
  readonly faults: readonly RuleFault[];
  readonly original: string | null;
  readonly onChange: (text: string) => void;
}

/** A score being typed, its faults underlined in place and told in order. */
export function ScoreEditor({ text, faults, original, onChange }: ScoreEditorProps) {
  const id = useId();
  return (
    <div>
      <label className={classes.label} htmlFor={id}>
        Score
      </label>
      <div className={classes.editor}>
        <pre className={classes.under} aria-hidden>
          {underlined(text, faults)}{" "}
        </pre>
        <textarea
          id={id}
          className={classes.text}
          rows={1}
          spellCheck={false}
          autoCapitalize="off"
          autoComplete="off"
          value={text}
          aria-invalid={faults.length > 0}
          aria-describedby={`${id}-faults`}
          onChange={(event) => onChange(event.currentTarget.value)}
        />
      </div>
      <div id={`${id}-faults`} role="status" className={classes.faults}>
        {faults.slice(0, 8).map((fault) => (
          <p key={`${fault.code} ${fault.beat} ${fault.turn} ${fault.from}`}>
            {fault.from < fault.to && (
              <code>{text.slice(fault.from, Math.min(fault.to, fault.from + 40))}</code>
            )}{" "}
            {fault.message}
          </p>
        ))}
        {faults.length > 8 && <p>And {faults.length - 8} more.</p>}
      </div>
      {original !== null && original !== text && (
        <Button variant="default" size="sm" onClick={() => onChange(original)}>
          Back to the skill’s score
        </Button>
      )}
    </div>
  );
}

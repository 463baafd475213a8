import { checkScore, parseScore, type Hand, type RuleFault } from "@mirrup/core";
import { COMBO_LIMITS, partsOfScore } from "@mirrup/core/combos";
import { Button, Group, Text } from "@mantine/core";
import { useMemo, useState } from "react";
import { catalogue } from "../app/catalogue.js";
import { ScoreEditor } from "../skill-book/index.js";
import { added, type Parts } from "./bench.js";

interface ScoreEntryProps {
  readonly parts: Parts;
  /** The line as text, to begin with. */
  readonly text: string;
  /** Whose hand decides what an open cross is. */
  readonly dominant: Hand;
  readonly onPut: (parts: Parts) => void;
}

interface Read {
  readonly faults: readonly RuleFault[];
  readonly parts: Parts | null;
}

function read(text: string, dominant: Hand): Read {
  if (text.trim() === "") return { faults: [], parts: null };
  const parsed = parseScore(text);
  if (!parsed.ok) return { faults: [parsed.fault], parts: null };
  return {
    faults: checkScore(parsed.score, { dominant }),
    parts: partsOfScore(catalogue(), parsed.score, dominant),
  };
}

/** A score typed or pasted, judged while typing; onto the end of the line, or in its place. */
export function ScoreEntry({ parts, text: line, dominant, onPut }: ScoreEntryProps) {
  const [text, setText] = useState("");
  const found = useMemo(() => read(text, dominant), [text, dominant]);
  const isLong = found.parts !== null && found.parts.length > COMBO_LIMITS.parts;
  const put = (next: Parts) => {
    onPut(next);
    setText("");
  };
  return (
    <div>
      <ScoreEditor text={text} faults={found.faults} original={null} onChange={setText} />
      <Text size="sm" c="dimmed">
        o open, xr cross with the right arm on top, sr side swing right, (o o) a double, o/l on the left foot,
        . a hop, [sr o]*4 four times.
      </Text>
      {isLong && (
        <Text role="alert">
          That is {found.parts.length} parts; at most {COMBO_LIMITS.parts} fit on the bench. Paste it in
          pieces.
        </Text>
      )}
      <Group gap="sm" mt={6}>
        <Button
          variant="default"
          disabled={found.parts === null || isLong}
          onClick={() => found.parts !== null && put(added(parts, found.parts))}
        >
          Add at the end of the line
        </Button>
        <Button
          variant="default"
          disabled={found.parts === null || isLong || parts.length === 0}
          onClick={() => found.parts !== null && put(found.parts)}
        >
          Replace the line
        </Button>
        <Button variant="subtle" disabled={line === ""} onClick={() => setText(line)}>
          Edit the line as text
        </Button>
        {found.parts !== null && found.faults.length > 0 && (
          <Text>It can go on the line as it is, and be mended there.</Text>
        )}
      </Group>
    </div>
  );
}

import { printScore, type Score } from "@mirrup/core";
import type { Jumper, View, ViewName } from "@mirrup/core/figure";
import { Button, Group, Progress, Text } from "@mantine/core";
import { memo, type RefObject } from "react";
import { Link, useParams } from "react-router";
import { usePaths } from "../app/paths.js";
import { CLIP } from "./clip-size.js";
import { coloursOf } from "./colours.js";
import { fileName } from "./moment-words.js";
import { useClip } from "./use-clip.js";

interface TakeOutProps {
  readonly score: Score;
  readonly jumper: Jumper;
  readonly name: string;
  readonly view: View;
  readonly named: ViewName;
  /** Times real time. */
  readonly speed: number;
  /** What has the colours that it is painted in. */
  readonly frame: RefObject<HTMLElement | null>;
}

/** The figure on paper, and as a clip. */
export const TakeOut = memo(function TakeOut({
  score,
  jumper,
  name,
  view,
  named,
  speed,
  frame,
}: TakeOutProps) {
  const paths = usePaths();
  const { studioId } = useParams();
  const { state, make, stop } = useClip();
  const save = () => {
    const { current } = frame;
    if (current !== null)
      make({ score, jumper, view, colours: coloursOf(current), speed }, fileName(name, "gif"));
  };
  const asked = new URLSearchParams({ name, score: printScore(score), view: named });
  return (
    <>
      <Group gap="sm">
        {/* Whoever was sent a link is in no studio, and has no pages but that. */}
        {studioId !== undefined && (
          <Button component={Link} to={`${paths.frames}?${asked.toString()}`} variant="default" size="sm">
            Print six frames
          </Button>
        )}
        <Button variant="default" size="sm" onClick={state.kind === "making" ? stop : save}>
          {state.kind === "making" ? "Stop" : "Save as a clip"}
        </Button>
      </Group>
      {state.kind === "making" && (
        <Progress value={100 * state.share} aria-label="How much of the clip is made" />
      )}
      <div role="status">
        {state.kind === "saved" && (
          <Text size="sm">
            Saved as {state.name}
            {state.isCut && `: the first ${String(CLIP.mostFrames / CLIP.framesASecond)} seconds of it`}.
          </Text>
        )}
        {state.kind === "failed" && (
          <Text size="sm" c="var(--fault)">
            The clip could not be made in this browser. Print the six frames instead.
          </Text>
        )}
      </div>
    </>
  );
});

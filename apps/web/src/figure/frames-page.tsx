import { parseScore } from "@mirrup/core";
import { VIEWS, type ViewName } from "@mirrup/core/figure";
import { Button, Group, SegmentedControl, Text, Title } from "@mantine/core";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { currentParams } from "../app/current-params.js";
import { VIEW_NAMES } from "./moment-words.js";
import { Strip } from "./strip.js";
import classes from "./frames-page.module.css";

function isView(name: string): name is ViewName {
  return name in VIEWS;
}

/** Six frames of a trick, to be printed and hung up. */
export function FramesPage() {
  const [params, setParams] = useSearchParams();
  const text = params.get("score") ?? "";
  const parsed = useMemo(() => parseScore(text), [text]);
  const asked = params.get("view") ?? "front";
  const view = isView(asked) ? asked : "front";
  const name = params.get("name") ?? "Six frames";
  if (!parsed.ok)
    return (
      <div className={classes.page}>
        <Title order={1}>Six frames</Title>
        <Text mt="sm">
          This address holds no score that can be read: {parsed.fault.message} Choose “Print six frames”
          beside a figure.
        </Text>
      </div>
    );
  return (
    <div className={classes.page}>
      <Group justify="space-between" mb="md">
        <Title order={1}>{name}</Title>
        <Group gap="sm" className={classes.tools}>
          <SegmentedControl
            aria-label="Seen from"
            value={view}
            data={Object.entries(VIEW_NAMES).map(([value, label]) => ({ value, label }))}
            onChange={(value) =>
              setParams({ ...Object.fromEntries(currentParams()), view: value }, { replace: true })
            }
          />
          <Button size="md" onClick={() => window.print()}>
            Print
          </Button>
        </Group>
      </Group>
      <Strip score={parsed.score} view={view} />
      <Text mt="sm">Left arm and leg in blue, right arm and leg in red.</Text>
    </div>
  );
}

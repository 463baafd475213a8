import { ActionIcon, Select, Tooltip } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { IconArrowsMaximize, IconMinus, IconPlus } from "@tabler/icons-react";
import { useRef } from "react";
import { ofCatalogue } from "../app/catalogue.js";
import { useSearchKey } from "../app/reach.js";
import classes from "./map-tools.module.css";

const skillOptions = ofCatalogue(({ skills }) =>
  [...skills.values()].map(({ id, name, aliases }) => ({
    value: id,
    label: aliases.length > 0 ? `${name} (${aliases.join(", ")})` : name,
  })),
);

interface MapToolsProps {
  readonly onFind: (subject: string) => void;
  readonly onFit: () => void;
  /** One step closer, or further for a negative number. */
  readonly onZoom: (step: number) => void;
}

/** Finds a bead by any of its names, and moves the map closer and further. */
export function MapTools({ onFind, onFit, onZoom }: MapToolsProps) {
  const search = useRef<HTMLInputElement>(null);
  useSearchKey(search);
  useHotkeys([
    ["+", () => onZoom(1), { usePhysicalKeys: false }],
    ["-", () => onZoom(-1), { usePhysicalKeys: false }],
    ["0", onFit],
  ]);
  const tools = [
    ["Closer (+)", IconPlus, () => onZoom(1)],
    ["Further (−)", IconMinus, () => onZoom(-1)],
    ["The whole map (0)", IconArrowsMaximize, onFit],
  ] as const;
  return (
    <div className={classes.tools} role="group" aria-label="The map">
      <Select
        ref={search}
        aria-label="Find a bead"
        placeholder="Find a bead, key /"
        size="sm"
        className={classes.find}
        searchable
        limit={30}
        value={null}
        data={skillOptions()}
        nothingFoundMessage="No skill has this name."
        onChange={(subject) => {
          if (subject === null) return;
          // The keys are the map's again, whether or not what was found is on it.
          search.current?.blur();
          onFind(subject);
        }}
      />
      {tools.map(([label, Icon, act]) => (
        <Tooltip key={label} label={label}>
          <ActionIcon variant="default" size={36} aria-label={label} onClick={act}>
            <Icon size={20} stroke={1.6} aria-hidden />
          </ActionIcon>
        </Tooltip>
      ))}
    </div>
  );
}

import { kinOfBead, type Frontier, type FrontierBead } from "@mirrup/core/teaching";
import { ActionIcon, Skeleton, Text, Tooltip } from "@mantine/core";
import { IconDownload, IconPrinter } from "@tabler/icons-react";
import { useEffect, useMemo, useRef, type CSSProperties, type KeyboardEvent, type ReactNode } from "react";
import { TransformComponent, TransformWrapper, type ReactZoomPanPinchContentRef } from "react-zoom-pan-pinch";
import { catalogue } from "../app/catalogue.js";
import { Fault } from "../app/faults.js";
import { saveFile } from "../app/save-file.js";
import { capital, listWords, skillName } from "../app/words.js";
import type { BeadState } from "../beads/index.js";
import { LEAST_SCALE, MapTools, mapView, MOST_SCALE } from "../strands/index.js";
import { Drawing } from "./drawing.js";
import classes from "./frontier-map.module.css";
import { BEAD, neighbour, ROW, type Direction, type PlacedBead } from "./layout.js";
import { svgText } from "./svg-file.js";
import { useLayout } from "./use-layout.js";

const ARROWS: Readonly<Record<string, Direction>> = {
  ArrowLeft: "left",
  ArrowRight: "right",
  ArrowUp: "up",
  ArrowDown: "down",
};
/** Further than a finger trembles: what began on a bead was a pan, not a press. */
const PAN_PX = 6;
/** The column that a map opens at, where it cannot show all. */
const OPEN_STEP = 1;

/** A large sheet, and what of its height is left between what stands above and below the drawing. */
const SHEETS = {
  wide: { turned: "landscape", height: "215mm" },
  upright: { turned: "portrait", height: "340mm" },
} as const;

interface FrontierMapProps {
  readonly frontier: Frontier;
  /** Of whom, for the file and the printed sheet. */
  readonly title: string;
  readonly headOf: (step: number) => string;
  readonly stateOf: (subject: string) => BeadState;
  /** What stands below a bead's name; empty for nothing. */
  readonly noteOf: (bead: FrontierBead) => string;
  /** How a skill stands, to be read aloud. */
  readonly aloud: (bead: FrontierBead) => string;
  readonly held: string | null;
  readonly next: string | null;
  readonly onHold: (subject: string | null) => void;
  /** What stands beside the map's own tools. */
  readonly children: ReactNode;
}

/** What opens what, in columns from what is cleared; each skill a bead that one can take in hand. */
export function FrontierMap(props: FrontierMapProps) {
  const { frontier, title, headOf, stateOf, noteOf, aloud, held, next, onHold, children } = props;
  const asked = useMemo(
    () => ({
      beads: frontier.beads.map((bead) => ({
        ...{ subject: bead.subject, step: bead.step },
        ...{ label: skillName(bead.subject), note: noteOf(bead) },
      })),
      cords: frontier.cords,
    }),
    [frontier, noteOf],
  );
  const { data: layout, error, refetch } = useLayout(asked);
  const beads = useMemo(() => new Map(frontier.beads.map((bead) => [bead.subject, bead])), [frontier]);
  const lit = useMemo(
    () => (held === null || !beads.has(held) ? null : kinOfBead(frontier, held)),
    [frontier, beads, held],
  );
  const drawing = useRef<SVGSVGElement>(null);
  const buttons = useRef(new Map<string, HTMLButtonElement>());
  const mapRef = useRef<ReactZoomPanPinchContentRef>(null);
  const view = () => mapView(mapRef.current);
  const pressed = useRef({ x: 0, y: 0 });
  const middleOf = ({ x, y, width }: PlacedBead) => ({ x: x + width / 2, y });
  const placeOf = (subject: string | null) => layout?.beads.find((bead) => bead.subject === subject);

  const begin = () => {
    const open = layout?.columns.find(({ step }) => step === OPEN_STEP) ?? layout?.columns[0];
    if (layout === undefined || open === undefined) return;
    view().begin({ x: open.x, y: placeOf(held)?.y ?? placeOf(next)?.y ?? 0 }, layout);
  };
  // Whatever is laid out anew is begun at what is open; the map has its width once it is drawn.
  // eslint-disable-next-line react-hooks/exhaustive-deps -- what it does follows from the layout
  useEffect(begin, [layout]);
  useEffect(() => {
    const place = placeOf(held);
    if (place !== undefined) view().show(middleOf(place));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the place follows from what is in hand and the layout
  }, [held, layout]);

  if (error !== null) {
    return (
      <Fault title="The frontier could not be drawn" onRetry={() => void refetch()}>
        {error.message}
      </Fault>
    );
  }
  const focus = (subject: string) => buttons.current.get(subject)?.focus({ preventScroll: true });
  const walk = (event: KeyboardEvent, from: string) => {
    const direction = ARROWS[event.key];
    if (direction === undefined || layout === undefined) return;
    event.preventDefault();
    const to = neighbour(layout, from, direction);
    if (to !== null) focus(to);
  };
  const find = (subject: string) => {
    const place = placeOf(subject);
    // What is not on the frontier is told of in the panel.
    if (place === undefined) {
      onHold(subject);
      return;
    }
    view().center(middleOf(place));
    focus(subject);
  };
  const save = () => {
    if (drawing.current === null) return;
    saveFile(`${title}.svg`, svgText(drawing.current, title), "image/svg+xml");
  };
  const kinWords = (subject: string) => {
    const of = (ends: readonly string[]) => listWords(ends.map(skillName));
    const needs = frontier.needs.filter(({ to }) => to === subject).map(({ from }) => from);
    const opens = frontier.needs.filter(({ from }) => from === subject).map(({ to }) => to);
    return [needs.length > 0 ? `needs ${of(needs)}` : "", opens.length > 0 ? `leads to ${of(opens)}` : ""];
  };
  // One bead is in the order of the Tab key; the arrows walk from it.
  const entry =
    [held, next].find((subject) => subject !== null && beads.has(subject)) ??
    frontier.beads.find(({ step }) => step === OPEN_STEP)?.subject ??
    frontier.beads[0]?.subject;

  const button = (place: PlacedBead) => {
    const { subject, x, y, width } = place;
    const bead = beads.get(subject);
    if (bead === undefined) return null;
    const said = [aloud(bead), subject === next ? "next" : "", ...kinWords(subject)];
    return (
      <li key={subject}>
        <button
          type="button"
          ref={(element) => {
            if (element !== null) buttons.current.set(subject, element);
            return () => void buttons.current.delete(subject);
          }}
          className={classes.bead}
          style={{ left: x - 4, top: y - ROW / 2, width: Math.max(width, BEAD) + 8, height: ROW }}
          tabIndex={subject === entry ? 0 : -1}
          aria-pressed={subject === held}
          aria-label={`${capital(skillName(subject))}: ${said.filter(Boolean).join("; ")}`}
          onFocus={() => view().show(middleOf(place))}
          onPointerDown={(event) => (pressed.current = { x: event.clientX, y: event.clientY })}
          onClick={(event) => {
            // A key press has no place; a press that moved was a pan.
            const moved = Math.hypot(event.clientX - pressed.current.x, event.clientY - pressed.current.y);
            if (event.detail === 0 || moved < PAN_PX) onHold(subject === held ? null : subject);
          }}
          onKeyDown={(event) => walk(event, subject)}
        />
      </li>
    );
  };
  const sheet = SHEETS[layout !== undefined && layout.height > layout.width ? "upright" : "wide"];
  const tools = [
    ["Print on one sheet", IconPrinter, () => window.print()],
    ["Save as a drawing (SVG)", IconDownload, save],
  ] as const;

  return (
    <>
      <div className={classes.bar}>
        {children}
        <div className={classes.tools}>
          <MapTools
            onFind={find}
            onFit={() => layout !== undefined && view().fit(layout.width, layout.height)}
            onZoom={(step) => view().zoom(step)}
          />
          {tools.map(([label, Icon, act]) => (
            <Tooltip key={label} label={label}>
              <ActionIcon variant="default" size={36} aria-label={label} onClick={act}>
                <Icon size={20} stroke={1.6} aria-hidden />
              </ActionIcon>
            </Tooltip>
          ))}
        </div>
      </div>
      <div className={classes.frame} style={{ "--sheet": sheet.height } as CSSProperties}>
        {/* One sheet, whichever way the tree is longer; only while it is on the page, since a page rule is for all. */}
        <style>{`@media print { @page { margin: 10mm; size: a3 ${sheet.turned}; } }`}</style>
        {layout === undefined && (
          <div role="status" aria-label="Drawing the frontier" className={classes.waiting}>
            <Skeleton height="100%" />
          </div>
        )}
        {frontier.beads.length === 0 && (
          <Text>
            {frontier.cleared === catalogue().skills.size
              ? "Everything is cleared."
              : "Nothing is open on this strand at these levels. Choose others above."}
          </Text>
        )}
        {layout !== undefined && frontier.beads.length > 0 && (
          <TransformWrapper
            ref={mapRef}
            minScale={LEAST_SCALE}
            maxScale={MOST_SCALE}
            limitToBounds
            centerZoomedOut={false}
            doubleClick={{ disabled: true }}
            wheel={{ activationKeys: ["Control", "Meta"], step: 0.006 }}
            trackPadPanning={{ disabled: false }}
            onInit={begin}
          >
            <TransformComponent wrapperClass={classes.wrapper} contentClass={classes.content}>
              <div className={classes.map} style={{ width: layout.width, height: layout.height }}>
                <Drawing ref={drawing} {...{ layout, stateOf, headOf, lit, next, held }} />
                {layout.columns.map(({ step }) => (
                  <section key={step} aria-label={headOf(step)}>
                    <ol className={classes.list}>
                      {layout.beads.filter((bead) => bead.step === step).map(button)}
                    </ol>
                  </section>
                ))}
              </div>
            </TransformComponent>
          </TransformWrapper>
        )}
      </div>
      <p className={classes.printed}>
        {title}. {catalogue().skills.size} skills in all, {frontier.cleared} cleared.
      </p>
    </>
  );
}

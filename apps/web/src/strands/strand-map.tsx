import type { NextItem } from "@mirrup/contract";
import { useElementSize } from "@mantine/hooks";
import { Fragment, useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { TransformComponent, TransformWrapper, type ReactZoomPanPinchContentRef } from "react-zoom-pan-pinch";
import { catalogue } from "../app/catalogue.js";
import { FAMILY_NAMES, standingWords } from "../app/words.js";
import { Bead, beadState, withFaint, type SkillStanding } from "../beads/index.js";
import { Cords, kinOf } from "./cords.js";
import { isSideShown, isSkillShown, type FilterContext, type MapFilter } from "./filter.js";
import { wordsOf } from "./label.js";
import { layoutOf, neighbour, type Direction, type PlacedBead } from "./layout.js";
import { MapTools } from "./map-tools.js";
import { LEAST_SCALE, mapView, MOST_SCALE } from "./map-view.js";
import classes from "./strand-map.module.css";

interface StrandMapProps {
  readonly standings: ReadonlyMap<string, SkillStanding>;
  readonly next: readonly NextItem[];
  readonly held: string | null;
  /** The skills of a goal's path, in order. */
  readonly path: readonly string[];
  readonly filter: MapFilter;
  readonly leadingSide: "left" | "right";
  readonly onHold: (subject: string | null) => void;
  /** What stands beside the map's own tools. */
  readonly children: ReactNode;
}

const ARROWS: Readonly<Record<string, Direction>> = {
  ArrowLeft: "left",
  ArrowRight: "right",
  ArrowUp: "up",
  ArrowDown: "down",
};
/** From here on labels are too small to read; along a path only its own are shown, larger. */
const FAR_SCALE = 0.75;
/** Further than a finger trembles: what began on a bead was a pan, not a press. */
const PAN_PX = 6;

function labelOf(
  bead: PlacedBead,
  standing: SkillStanding | undefined,
  isNext: boolean,
  step: number,
): string {
  const sides = [...(standing?.values() ?? [])].map(standingWords).join("; ");
  return `${bead.skill.name}: ${sides}${isNext ? "; next" : ""}${step > 0 ? `; step ${step} of the path` : ""}`;
}

/** The families as bands of sagging strands, each skill a bead that one can take in hand. */
export function StrandMap(props: StrandMapProps) {
  const { standings, next, held, path, filter, leadingSide, onHold, children } = props;
  const { ref, width } = useElementSize();
  const layout = useMemo(() => layoutOf(catalogue(), Math.max(width, 320)), [width]);
  const buttons = useRef(new Map<string, HTMLButtonElement>());
  const mapRef = useRef<ReactZoomPanPinchContentRef>(null);
  const view = () => mapView(mapRef.current);
  const [isFar, setIsFar] = useState(false);
  const pressed = useRef({ x: 0, y: 0 });
  const kin = held === null ? null : kinOf(catalogue(), held);
  const context: FilterContext = { strands: catalogue().strands, next, leadingSide };
  const beads = useMemo(
    () =>
      layout.families.flatMap(({ top, strands }) =>
        strands.flatMap((strand) => strand.beads.map((bead) => ({ ...bead, y: bead.y + top }))),
      ),
    [layout],
  );
  const isNear = (id: string) => {
    if (path.length > 0) return path.includes(id) || id === held;
    return kin === null || id === held || kin.needs.includes(id) || kin.opens.includes(id);
  };
  const placeOf = (id: string) => beads.find((bead) => bead.skill.id === id);

  const goTo = (id: string) => {
    const place = placeOf(id);
    if (place !== undefined) view().center(place);
    buttons.current.get(id)?.focus({ preventScroll: true });
  };
  const walk = (event: KeyboardEvent, from: string) => {
    const direction = ARROWS[event.key];
    if (direction === undefined) return;
    event.preventDefault();
    const to = neighbour(layout, from, direction);
    if (to !== null) buttons.current.get(to)?.focus({ preventScroll: true });
  };
  // A bead that is taken in hand elsewhere (a link, a search) comes into sight.
  useEffect(() => {
    const place = held === null ? undefined : placeOf(held);
    if (place !== undefined) view().show(place);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the place follows from what is in hand and the layout
  }, [held, layout]);
  const way = path.join(" ");
  useEffect(() => {
    view().gather(beads.filter((bead) => path.includes(bead.skill.id)));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the beads follow from the path's names and the layout
  }, [way, layout]);
  // One bead is in the order of the Tab key; the arrows walk from it.
  const entry = held ?? next[0]?.subject ?? beads[0]?.skill.id;

  const bead = (one: PlacedBead) => {
    const { id, name } = one.skill;
    const standing = standings.get(id);
    const isNext = next[0]?.subject === id;
    const step = path.indexOf(id) + 1;
    const isOut = isSkillShown(id, standing, filter, context);
    return (
      <li
        key={id}
        className={classes.place}
        style={{ left: one.x, top: one.y, width: layout.columnWidth - 6 }}
      >
        <button
          type="button"
          ref={(button) => {
            if (button !== null) buttons.current.set(id, button);
            return () => void buttons.current.delete(id);
          }}
          className={classes.bead}
          tabIndex={id === entry ? 0 : -1}
          data-held={id === held}
          data-faded={!isNear(id) || !isOut}
          data-next={isNext}
          data-step={step > 0}
          aria-label={labelOf(one, standing, isNext, step)}
          aria-pressed={id === held}
          onFocus={() => {
            const place = placeOf(id);
            if (place !== undefined) view().show(place);
          }}
          onPointerDown={(event) => (pressed.current = { x: event.clientX, y: event.clientY })}
          onClick={(event) => {
            // A key press has no place; a press that moved was a pan.
            const moved = Math.hypot(event.clientX - pressed.current.x, event.clientY - pressed.current.y);
            if (event.detail === 0 || moved < PAN_PX) onHold(id === held ? null : id);
          }}
          onKeyDown={(event) => walk(event, id)}
        >
          <span className={classes.ring}>
            <Bead
              state={withFaint(beadState(standing), (side) => isSideShown(side, filter, leadingSide))}
              family={one.family}
            />
            {step > 0 && <span className={classes.step}>{step}</span>}
          </span>
          <span className={classes.label} aria-hidden>
            {wordsOf(name).map(({ word, isWhole }, at) => (
              <Fragment key={at}>
                {/* The room between two words is where the line may break. */}
                <span data-whole={isWhole || undefined}>{word}</span>{" "}
              </Fragment>
            ))}
          </span>
        </button>
      </li>
    );
  };

  return (
    <>
      <div className={classes.bar}>
        {children}
        <MapTools
          onFind={goTo}
          onFit={() => view().fit(layout.width, layout.height)}
          onZoom={(step) => view().zoom(step)}
        />
      </div>
      <div ref={ref} className={classes.frame}>
        <TransformWrapper
          ref={mapRef}
          minScale={LEAST_SCALE}
          maxScale={MOST_SCALE}
          limitToBounds
          centerZoomedOut={false}
          doubleClick={{ disabled: true }}
          wheel={{ activationKeys: ["Control", "Meta"], step: 0.006 }}
          trackPadPanning={{ disabled: false }}
          onTransform={(_, { scale }) => setIsFar(scale < FAR_SCALE)}
        >
          <TransformComponent wrapperClass={classes.wrapper} contentClass={classes.content}>
            <div
              className={classes.map}
              data-far={isFar && path.length > 0}
              style={{ width: layout.width, height: layout.height }}
            >
              {layout.families.map(({ family, top, height, strands }) => (
                <section
                  key={family}
                  className={classes.family}
                  style={{ top, height, color: `var(--family-${family})` }}
                  aria-label={FAMILY_NAMES[family]}
                >
                  <h2 className={classes.familyName}>{FAMILY_NAMES[family]}</h2>
                  <svg className={classes.ropes} width={layout.width} height={height} aria-hidden>
                    {strands.map((strand) => (
                      <path
                        key={strand.id}
                        d={strand.ropePath}
                        className={classes.rope}
                        data-faded={kin !== null || path.length > 0}
                      />
                    ))}
                  </svg>
                  {strands.map((strand) => (
                    <ol key={strand.id} className={classes.strand} aria-label={strand.name}>
                      {strand.beads.map(bead)}
                    </ol>
                  ))}
                </section>
              ))}
              {held !== null && <Cords catalogue={catalogue()} layout={layout} held={held} />}
            </div>
          </TransformComponent>
        </TransformWrapper>
      </div>
    </>
  );
}

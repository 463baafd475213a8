import type { Catalogue } from "@mirrup/core";
import {
  closestCenter,
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, sortableKeyboardCoordinates, useSortable } from "@dnd-kit/sortable";
import { IconGripVertical } from "@tabler/icons-react";
import { useState, type CSSProperties } from "react";
import { Title } from "@mantine/core";
import { dragAnnouncements } from "../app/drag-words.js";
import { capital, FAMILY_NAMES, skillName } from "../app/words.js";
import type { Target } from "./moves.js";
import classes from "./skill-order.module.css";

type Strand = Catalogue["strands"][number];

const END = "end ";

function targetOf(id: string): Target {
  return id.startsWith(END) ? { kind: "end", strand: id.slice(END.length) } : { kind: "skill", skill: id };
}

interface BoardProps {
  readonly strands: readonly Strand[];
  /** Those that stand elsewhere than they are saved. */
  readonly moved: ReadonlySet<string>;
  readonly onPut: (skill: string, target: Target) => void;
}

/** Every strand with its skills in order: dragged by their grip, or moved with the keys on it. */
export function StrandBoard({ strands, moved, onPut }: BoardProps) {
  const [taken, setTaken] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const nameOf = (id: string) => {
    const target = targetOf(id);
    const name = (strand: Strand | undefined) => strand?.name ?? "nothing";
    if (target.kind === "end") return `the end of ${name(strands.find((one) => one.id === target.strand))}`;
    const strand = strands.find(({ skills }) => skills.includes(id));
    return `${skillName(id)}, place ${(strand?.skills.indexOf(id) ?? 0) + 1} of ${name(strand)}`;
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        container: document.body,
        announcements: dragAnnouncements(nameOf),
        screenReaderInstructions: {
          draggable:
            "Space takes it up, the arrows move it, space puts it down, escape leaves it where it was.",
        },
      }}
      onDragStart={({ active }) => setTaken(String(active.id))}
      onDragCancel={() => setTaken(null)}
      onDragEnd={({ active, over }) => {
        setTaken(null);
        if (over !== null) onPut(String(active.id), targetOf(String(over.id)));
      }}
    >
      <div className={classes.board}>
        {strands.map((strand) => (
          <Line key={strand.id} strand={strand} moved={moved} />
        ))}
      </div>
      <DragOverlay>
        {taken !== null && <div className={classes.lifted}>{capital(skillName(taken))}</div>}
      </DragOverlay>
    </DndContext>
  );
}

/** Nothing makes room while something is dragged: a line shows where it would go. */
const STILL = () => null;

function Line({ strand, moved }: { readonly strand: Strand; readonly moved: ReadonlySet<string> }) {
  const { id, name, family, skills } = strand;
  const { setNodeRef, isOver } = useDroppable({ id: `${END}${id}` });
  const style = { "--family": `var(--family-${family})` } as CSSProperties;
  return (
    <section className={classes.strand} style={style} aria-label={`${FAMILY_NAMES[family]}: ${name}`}>
      <Title order={2} size="h4">
        {capital(name)}
      </Title>
      <SortableContext items={[...skills]} strategy={STILL}>
        <ol>
          {skills.map((skill) => (
            <Skill key={skill} id={skill} isMoved={moved.has(skill)} />
          ))}
        </ol>
      </SortableContext>
      <div ref={setNodeRef} className={classes.end} data-over={isOver} />
    </section>
  );
}

function Skill({ id, isMoved }: { readonly id: string; readonly isMoved: boolean }) {
  const { setNodeRef, setActivatorNodeRef, listeners, isDragging, isOver, activeIndex, index } = useSortable({
    id,
  });
  // On its own strand it goes past what lay below it.
  const side = activeIndex >= 0 && activeIndex < index ? "after" : "before";
  const name = skillName(id);
  return (
    <li
      ref={setNodeRef}
      className={classes.skill}
      data-moved={isMoved}
      data-taken={isDragging}
      data-over={isOver && !isDragging ? side : undefined}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        className={classes.grip}
        aria-label={`Move ${name}: space, then the arrows`}
        {...listeners}
      >
        <IconGripVertical size={20} aria-hidden />
      </button>
      <span>
        {capital(name)}
        {isMoved && " (moved)"}
      </span>
    </li>
  );
}

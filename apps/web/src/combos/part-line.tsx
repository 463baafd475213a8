import type { ComboPart, JudgedCombo } from "@mirrup/core/combos";
import { ActionIcon, Menu } from "@mantine/core";
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
} from "@dnd-kit/sortable";
import { IconDots, IconGripVertical, IconMinus, IconPlus } from "@tabler/icons-react";
import { dragAnnouncements } from "../app/drag-words.js";
import { capital } from "../app/words.js";
import { mirrored, moved, opened, repeated, without, type Parts } from "./bench.js";
import classes from "./bench.module.css";
import { partName, type ComboNames } from "./words.js";

interface LineProps {
  readonly parts: Parts;
  readonly judged: JudgedCombo;
  readonly names: ComboNames;
  readonly chosen: ReadonlySet<number>;
  readonly onChoose: (place: number) => void;
  readonly onPut: (parts: Parts) => void;
}

/** The parts in a row, to be dragged by their grip or moved from their menu; faulty joins are marked. */
export function PartLine({ parts, judged, names, chosen, onChoose, onPut }: LineProps) {
  const ids = parts.map((_, place) => String(place + 1));
  const nameOf = (id: string) => {
    const part = parts[Number(id) - 1];
    return part === undefined ? "nothing" : `${partName(part, names)}, place ${id}`;
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
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
      onDragEnd={({ active, over }) =>
        over !== null && onPut(moved(parts, Number(active.id) - 1, Number(over.id) - 1))
      }
    >
      <SortableContext items={ids} strategy={rectSortingStrategy}>
        <ol className={classes.line} aria-label="The line">
          {parts.map((part, place) => (
            <Part
              key={ids[place]}
              id={ids[place] ?? ""}
              part={part}
              place={place}
              parts={parts}
              judged={judged}
              name={partName(part, names)}
              isChosen={chosen.has(place)}
              onChoose={() => onChoose(place)}
              onPut={onPut}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

interface PartProps {
  readonly id: string;
  readonly part: ComboPart;
  readonly place: number;
  readonly parts: Parts;
  readonly judged: JudgedCombo;
  readonly name: string;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly onPut: (parts: Parts) => void;
}

function Part({ id, part, place, parts, judged, name, isChosen, onChoose, onPut }: PartProps) {
  const { setNodeRef, setActivatorNodeRef, listeners, transform, transition, isDragging } = useSortable({
    id,
  });
  const style =
    transform === null ? {} : { transform: `translate(${transform.x}px, ${transform.y}px)`, transition };
  const own = judged.parts[place];
  const from = (own?.from ?? 0) + 1;
  const to = from + (own?.beats ?? 1) - 1;
  const isFaulty = (own?.join.length ?? 0) > 0;
  const isEarly = !isFaulty && (own?.sideways.length ?? 0) > 0;
  const wrong = own?.inside.length ?? 0;
  const other = opened(part);
  const only = new Set([place]);
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={classes.part}
      data-faulty={isFaulty || wrong > 0}
      data-early={isEarly}
      data-chosen={isChosen}
      data-dragging={isDragging}
    >
      {isFaulty && <span className={classes.join}>does not join</span>}
      {isEarly && <span className={classes.join}>mind the entry</span>}
      {!isFaulty && wrong > 0 && <span className={classes.join}>cannot be jumped</span>}
      <div className={classes.partTop}>
        <button
          type="button"
          ref={setActivatorNodeRef}
          className={classes.grip}
          aria-label={`Move ${name}, place ${place + 1}: space, then the arrows`}
          {...listeners}
        >
          <IconGripVertical size={18} aria-hidden />
        </button>
        <span className={classes.countsAt}>{from === to ? from : `${from}–${to}`}</span>
        <Menu position="bottom-end">
          <Menu.Target>
            <ActionIcon variant="subtle" size={36} aria-label={`More for ${name}, place ${place + 1}`}>
              <IconDots size={18} aria-hidden />
            </ActionIcon>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item onClick={() => onPut(mirrored(parts, only))}>Other side</Menu.Item>
            {other !== null && (
              <Menu.Item onClick={() => onPut(parts.with(place, other))}>
                {other.score.length < part.score.length
                  ? "Close up: no open turn after it"
                  : "Open turn after it"}
              </Menu.Item>
            )}
            <Menu.Item disabled={place === 0} onClick={() => onPut(moved(parts, place, place - 1))}>
              Earlier
            </Menu.Item>
            <Menu.Item
              disabled={place === parts.length - 1}
              onClick={() => onPut(moved(parts, place, place + 1))}
            >
              Later
            </Menu.Item>
            <Menu.Item onClick={() => onPut(without(parts, only))}>Remove</Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </div>
      <button
        type="button"
        className={classes.partName}
        aria-pressed={isChosen}
        aria-label={`Choose ${name}, place ${place + 1}`}
        onClick={onChoose}
      >
        {part.subject === null ? name : capital(name)}
      </button>
      <div className={classes.partFoot}>
        <code>{part.score}</code>
        <span className={classes.times}>
          <ActionIcon
            variant="subtle"
            size={32}
            aria-label={`${name}, place ${place + 1}: once less`}
            disabled={part.times <= 1}
            onClick={() => onPut(repeated(parts, place, part.times - 1))}
          >
            <IconMinus size={15} aria-hidden />
          </ActionIcon>
          <span aria-label={`${part.times} times`}>×{part.times}</span>
          <ActionIcon
            variant="subtle"
            size={32}
            aria-label={`${name}, place ${place + 1}: once more`}
            onClick={() => onPut(repeated(parts, place, part.times + 1))}
          >
            <IconPlus size={15} aria-hidden />
          </ActionIcon>
        </span>
      </div>
    </li>
  );
}

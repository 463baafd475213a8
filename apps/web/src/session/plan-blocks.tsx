import { CAUTIONS } from "@mirrup/catalogue";
import { sideKey, type CautionCode } from "@mirrup/core";
import { isEasyPhase, type PlanBlock, type StudentPlan } from "@mirrup/core/planning";
import { ActionIcon, Button, Title } from "@mantine/core";
import { DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import {
  IconArrowDown,
  IconArrowUp,
  IconGripVertical,
  IconMinus,
  IconPin,
  IconPinFilled,
  IconPlus,
} from "@tabler/icons-react";
import type { DoneSide } from "@mirrup/contract";
import { Link } from "react-router";
import { dragAnnouncements } from "../app/drag-words.js";
import { usePaths } from "../app/paths.js";
import { drillOfWords, oddsWords } from "../app/drill-words.js";
import { capital, wholeWords } from "../app/words.js";
import { blockPath, comboOf } from "../led/index.js";
import { SkillBead } from "../students/index.js";
import {
  banned,
  blockKey,
  lengthened,
  moved,
  orderedBlocks,
  pinned,
  repeatedEfforts,
  startsOf,
  type PlanAsked,
} from "./plan-asked.js";
import { beyondWords, blockName, PHASE_NAMES, planReasonWords, worthWords } from "./plan-words.js";
import classes from "./session-page.module.css";

export interface AskingProps {
  readonly asked: PlanAsked;
  readonly onAsk: (asked: PlanAsked) => void;
}

interface BlocksProps extends AskingProps {
  readonly studentId: string;
  readonly plan: StudentPlan;
  /** What was done today, to stand beside what is planned. */
  readonly done: readonly DoneSide[];
}

/** The plan's blocks in order: dragged by their grip, or moved with the keys on it or the arrows. */
export function Blocks({ studentId, plan, done, asked, onAsk }: BlocksProps) {
  const blocks = orderedBlocks(plan.blocks, asked.order);
  const starts = startsOf(blocks);
  const repeated = repeatedEfforts(blocks);
  const keys = blocks.map(blockKey);
  const nameOf = (key: string) => {
    const place = keys.indexOf(key);
    const block = blocks[place];
    return block === undefined ? "nothing" : `${blockName(block)}, place ${place + 1}`;
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const move = (from: string, to: string | undefined) =>
    to !== undefined && onAsk(moved(asked, blocks, from, to));
  return (
    <DndContext
      sensors={sensors}
      accessibility={{
        container: document.body,
        announcements: dragAnnouncements(nameOf),
        screenReaderInstructions: {
          draggable:
            "Space takes it up, the arrows move it, space puts it down, escape leaves it where it was.",
        },
      }}
      onDragEnd={({ active, over }) => over !== null && move(String(active.id), String(over.id))}
    >
      <SortableContext items={keys} strategy={verticalListSortingStrategy}>
        <ol className={classes.blocks}>
          {blocks.map((block, place) => (
            <Block
              key={keys[place]}
              studentId={studentId}
              block={block}
              done={done.find((one) => one.subject === block.subject && one.side === block.side)}
              start={starts[place] ?? 0}
              isRepeated={repeated.has(blockKey(block))}
              above={keys[place - 1]}
              below={keys[place + 1]}
              onMove={move}
              asked={asked}
              onAsk={onAsk}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

interface BlockProps extends AskingProps {
  readonly studentId: string;
  readonly block: PlanBlock;
  readonly done: DoneSide | undefined;
  readonly start: number;
  readonly isRepeated: boolean;
  readonly above: string | undefined;
  readonly below: string | undefined;
  readonly onMove: (from: string, to: string | undefined) => void;
}

/** What every lesson with its like minds, and is said once above it. */
const SAID_ONCE: ReadonlySet<CautionCode> = new Set(["warm-up", "surface", "shoes", "growth"]);

const mindIn = ({ cautions }: PlanBlock) => cautions.filter((code) => !SAID_ONCE.has(code));

function Block(props: BlockProps) {
  const { block, done, start, isRepeated } = props;
  const { phase, drill, sets, minutes, rest, landings, reason, chance, after, subject, side } = block;
  const { leaving, beyond } = block;
  const kept = beyondWords(beyond);
  const isFixed = isEasyPhase(phase);
  const { setNodeRef, setActivatorNodeRef, listeners, transform, transition } = useSortable({
    id: blockKey(block),
    disabled: isFixed,
  });
  const style = transform === null ? {} : { transform: `translate(0, ${transform.y}px)`, transition };
  return (
    <li ref={setNodeRef} style={style} className={classes.block} data-phase={phase}>
      <span className={classes.time}>
        <strong>{start}</strong> min
        {!isFixed && (
          <button
            type="button"
            ref={setActivatorNodeRef}
            className={classes.grip}
            aria-label={`Move ${blockName(block)}: space, then the arrows`}
            {...listeners}
          >
            <IconGripVertical size={20} aria-hidden />
          </button>
        )}
      </span>
      <div className={classes.what}>
        <span className={classes.phase}>{PHASE_NAMES[phase]}</span>
        <Title order={2} className={classes.name}>
          {!isFixed && <SkillBead studentId={props.studentId} subject={subject} size={32} />}
          {capital(blockName(block))}
        </Title>
        <span>
          {drillOfWords(subject, side, drill)}
          {sets > 1 && `, ${sets} sets`}
        </span>
        <ul className={classes.figures}>
          <li>{minutes} min</li>
          {rest > 0 && <li>{rest} min of it rest</li>}
          <li>{wholeWords(landings)} landings</li>
          {leaving !== null && <li>{worthWords(leaving)}</li>}
        </ul>
        <span className={classes.why}>
          {planReasonWords(reason)}
          {chance !== null && ` It comes off ${oddsWords(chance)}.`}
          {after !== null && ` Then: ${drillOfWords(subject, side, after)}.`}
        </span>
        {mindIn(block).map((code) => (
          <span key={code} className={classes.mind}>
            {CAUTIONS[code]}
          </span>
        ))}
        {kept !== null && <span className={classes.mind}>{kept}</span>}
        {isRepeated && (
          <span className={classes.mind}>
            The same kind of effort as the block before: rest longer, or move it.
          </span>
        )}
        {done !== undefined && !isFixed && (
          <span className={classes.done}>
            Done today: {done.clean} clean of {done.tries}, best {done.bestStreak} in a row
          </span>
        )}
      </div>
      {!isFixed && <Tools {...props} />}
    </li>
  );
}

function Tools({ studentId, block, above, below, onMove, asked, onAsk }: BlockProps) {
  const paths = usePaths();
  const { phase, subject, side } = block;
  const key = sideKey(subject, side);
  const name = blockName(block);
  const isPinned = asked.pin.includes(key);
  const floor = blockPath(paths, studentId, { ...block, comboId: comboOf(block) });
  const small = [
    {
      label: `One set less of ${name}`,
      Icon: IconMinus,
      isSet: true,
      act: () => onAsk(lengthened(asked, key, -1)),
    },
    {
      label: `One set more of ${name}`,
      Icon: IconPlus,
      isSet: true,
      act: () => onAsk(lengthened(asked, key, 1)),
    },
    {
      label: `${capital(name)} earlier`,
      Icon: IconArrowUp,
      isSet: false,
      act: () => onMove(blockKey(block), above),
    },
    {
      label: `${capital(name)} later`,
      Icon: IconArrowDown,
      isSet: false,
      act: () => onMove(blockKey(block), below),
    },
  ];
  const isChosen = phase !== "no-landing" && phase !== "conditioning";
  return (
    <div className={classes.tools}>
      <Button component={Link} to={floor} size="sm" variant="default">
        Go to the floor<span className={classes.hidden}>: {name}</span>
      </Button>
      {isChosen && (
        <Button
          variant="subtle"
          px="xs"
          size="sm"
          aria-pressed={isPinned}
          leftSection={isPinned ? <IconPinFilled size={18} aria-hidden /> : <IconPin size={18} aria-hidden />}
          onClick={() => onAsk(pinned(asked, key, !isPinned))}
        >
          {isPinned ? "Kept" : "Keep"}
          <span className={classes.hidden}> {name}</span>
        </Button>
      )}
      <Button variant="subtle" px="xs" size="sm" onClick={() => onAsk(banned(asked, key, true))}>
        Not today<span className={classes.hidden}>: {name}</span>
      </Button>
      <span className={classes.small}>
        {small
          .filter(({ isSet }) => isChosen || !isSet)
          .map(({ label, Icon, act }) => (
            <ActionIcon key={label} variant="subtle" size={36} aria-label={label} onClick={act}>
              <Icon size={18} aria-hidden />
            </ActionIcon>
          ))}
      </span>
    </div>
  );
}

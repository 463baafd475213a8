import type { ClassStudentView } from "@mirrup/contract";
import { usefulTogether } from "@mirrup/core/teaching";
import { ActionIcon, Menu, Select } from "@mantine/core";
import {
  DndContext,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import { IconMinus, IconPinFilled, IconPlus } from "@tabler/icons-react";
import { useMemo } from "react";
import { catalogue } from "../app/catalogue.js";
import { dragAnnouncements } from "../app/drag-words.js";
import { capital, skillName } from "../app/words.js";
import type { BeadOf } from "../beads/index.js";
import { letGo, swapped, withBan, withSkillAt, withStudentAt, withTurn, type Asked } from "./asked.js";
import { clockWords, pairsAt, stepsOf, type AtPlace, type ShownPlan } from "./shown.js";
import { StudentBead } from "./student-bead.js";
import { placeWords, USE_NAMES, WATCH_NAMES } from "./words.js";
import classes from "./plan-page.module.css";

/** Letters of a drill's name that fit a station's column at full size. */
const LONG_NAME = 16;

export interface PlanTableProps {
  readonly plan: ShownPlan;
  readonly asked: Asked;
  readonly options: readonly ClassStudentView[];
  readonly startTime: string | null;
  readonly mayEdit: boolean;
  readonly nameOf: (id: string) => string;
  readonly beadOf: BeadOf;
  readonly onAsk: (asked: Asked) => void;
}

interface Spot {
  readonly turn: number;
  readonly station: number;
}

/** Where a drag begins or ends: a station of a turn, and a student where it is on one. */
type Target = Spot & { readonly student?: string };

/** Turns down, stations across; a student is dragged, or moved from the menu. */
export function PlanTable(props: PlanTableProps) {
  const { plan, asked, startTime, mayEdit, nameOf, onAsk } = props;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const turns = stepsOf(plan).flatMap((step) => (step.kind === "turn" ? [step] : []));
  const widest = Math.max(0, ...plan.rotations.map((one) => one.stations.length));
  const whereOf = (key: string) => {
    const [at, student] = key.split(" ").slice(-2);
    const isStation = key.split(" ").length === 2 && /^\d+$/.test(student ?? "");
    return isStation ? `turn ${Number(at) + 1}, station ${Number(student) + 1}` : nameOf(student ?? "");
  };
  const drop = ({ active, over }: DragEndEvent) => {
    const from = active.data.current as Target | undefined;
    const to = over?.data.current as Target | undefined;
    if (from?.student === undefined || to?.turn !== from.turn) return;
    if (to.student !== undefined) onAsk(swapped(asked, plan.students, from.turn, [from.student, to.student]));
    else if (to.station !== from.station)
      onAsk(withStudentAt(asked, { rotation: from.turn, station: to.station, student: from.student }));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragEnd={drop}
      accessibility={{ container: document.body, announcements: dragAnnouncements(whereOf) }}
    >
      <div className={classes.scroll}>
        <table className={classes.table}>
          <caption className={classes.said}>The class by turns and stations</caption>
          <thead>
            <tr>
              <th scope="col">Turn</th>
              {Array.from({ length: widest }, (_, station) => (
                <th key={station} scope="col">
                  Station {station + 1}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {turns.map(({ turn, minutes, from }) => (
              <tr key={turn}>
                <th scope="row" className={classes.turn}>
                  <span className={classes.number}>{turn + 1}</span>
                  <span>{clockWords(startTime, from)}</span>
                  <span className={classes.minutes}>
                    {mayEdit && (
                      <ActionIcon
                        variant="default"
                        size={28}
                        aria-label={`Turn ${turn + 1} a minute shorter`}
                        onClick={() => onAsk(withTurn(asked, turn, -1))}
                      >
                        <IconMinus size={16} aria-hidden />
                      </ActionIcon>
                    )}
                    {Math.round(10 * minutes) / 10} min
                    {mayEdit && (
                      <ActionIcon
                        variant="default"
                        size={28}
                        aria-label={`Turn ${turn + 1} a minute longer`}
                        onClick={() => onAsk(withTurn(asked, turn, 1))}
                      >
                        <IconPlus size={16} aria-hidden />
                      </ActionIcon>
                    )}
                  </span>
                </th>
                {Array.from({ length: widest }, (_, station) => (
                  <Cell key={station} {...props} turn={turn} station={station} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </DndContext>
  );
}

type CellProps = PlanTableProps & Spot;

function Cell(props: CellProps) {
  const { plan, turn, station } = props;
  const { setNodeRef, isOver } = useDroppable({ id: `${turn} ${station}`, data: { turn, station } });
  const held = plan.rotations[turn]?.stations[station];
  const pairs = pairsAt(plan, turn, station);
  return (
    <td ref={setNodeRef} className={classes.cell} data-over={isOver}>
      {(held?.subject != null || props.mayEdit) && (
        <StationSkill {...props} subject={held?.subject ?? null} />
      )}
      {held !== undefined && held.watchedBy !== "nobody" && (
        <span className={classes.watch}>{WATCH_NAMES[held.watchedBy]}</span>
      )}
      <ul className={classes.pairs}>
        {pairs.map((pair) => (
          <li key={pair.map((one) => one.id).join(" ")} className={classes.pair}>
            {pair.map((one) => (
              <Chip key={one.id} {...props} one={one} />
            ))}
          </li>
        ))}
      </ul>
    </td>
  );
}

/** What is done at a station: the plan's choice, or one's own, most useful first. */
function StationSkill({
  asked,
  options,
  turn,
  station,
  subject,
  mayEdit,
  onAsk,
}: CellProps & { readonly subject: string | null }) {
  const { useful, items } = useMemo(() => skillsByUse(options), [options]);
  const isPinned = asked.stationPins.some((pin) => pin.rotation === turn && pin.station === station);
  if (!mayEdit) return <strong className={classes.skill}>{capital(skillName(subject ?? ""))}</strong>;
  return (
    <Select
      aria-label={`Turn ${turn + 1}, station ${station + 1}: the drill`}
      className={classes.skillPick}
      title={subject === null ? "" : skillName(subject)}
      data-long={subject !== null && skillName(subject).length > LONG_NAME ? true : undefined}
      size="sm"
      searchable
      placeholder="empty"
      comboboxProps={{ width: 300 }}
      rightSection={isPinned ? <IconPinFilled size={15} aria-label="chosen by hand" /> : undefined}
      value={subject}
      data={[
        {
          group: "This drill",
          items: [
            ...(isPinned ? [{ value: "let-go", label: "Let the plan choose" }] : []),
            ...(subject === null
              ? []
              : [{ value: `ban ${subject}`, label: `No ${skillName(subject)} today` }]),
          ],
        },
        { group: "Most useful here", items },
      ]}
      renderOption={({ option }) => (
        <span className={classes.option}>
          {option.label}
          {useful.has(option.value) && <small>useful to {useful.get(option.value)}</small>}
        </span>
      )}
      onChange={(value) => {
        if (value === null || value === subject) return;
        if (value === "let-go") onAsk(withSkillAt(asked, turn, station, null));
        else if (value.startsWith("ban ")) onAsk(withBan(asked, value.slice("ban ".length), true));
        else onAsk(withSkillAt(asked, turn, station, value));
      }}
    />
  );
}

/** Every skill that somebody here may do, the most useful first. */
function skillsByUse(options: readonly ClassStudentView[]) {
  const statusOf = { frontier: "ready", review: "rusty", show: "cleared", keep: "cleared" } as const;
  const found = usefulTogether(
    catalogue(),
    options.map((student) =>
      student.options.map(({ subject, side, use }) => ({ subject, side, status: statusOf[use] })),
    ),
  );
  const useful = new Map(found.map((one) => [one.subject, one.students.length]));
  const known = new Set(options.flatMap((student) => student.options.map((option) => option.subject)));
  const order = [...useful.keys(), ...[...known].filter((subject) => !useful.has(subject))];
  return { useful, items: order.map((value) => ({ value, label: skillName(value) })) };
}

function Chip({
  plan,
  asked,
  options,
  turn,
  station,
  mayEdit,
  nameOf,
  beadOf,
  onAsk,
  one,
}: CellProps & { readonly one: AtPlace }) {
  const { id, place } = one;
  const name = nameOf(id);
  const target: Target = { turn, station, student: id };
  const drag = useDraggable({ id: `${turn} ${id}`, data: target, disabled: !mayEdit });
  const drop = useDroppable({ id: `at ${turn} ${id}`, data: target });
  const isPinned = asked.placePins.some((pin) => pin.rotation === turn && pin.student === id);
  const stations = plan.rotations[turn]?.stations ?? [];
  const use = USE_NAMES[place.use];
  const shift =
    drag.transform === null
      ? {}
      : { transform: `translate(${drag.transform.x}px, ${drag.transform.y}px)`, zIndex: 2 };
  const words = placeWords(stations[station]?.subject ?? "", place);
  const mayDo = new Set(options.find((student) => student.id === id)?.options.map((one) => one.subject));
  return (
    <Menu width={280} position="bottom-start" disabled={!mayEdit}>
      <Menu.Target>
        <button
          type="button"
          ref={(node) => {
            drag.setNodeRef(node);
            drop.setNodeRef(node);
          }}
          className={classes.chip}
          data-use={place.use}
          data-over={drop.isOver && !drag.isDragging}
          style={shift}
          title={words}
          onPointerDown={drag.listeners?.onPointerDown as React.PointerEventHandler | undefined}
        >
          {isPinned && <IconPinFilled size={13} aria-label="put here by hand" />}
          <StudentBead
            beadOf={beadOf}
            studentId={id}
            subject={stations[station]?.subject ?? null}
            size={18}
          />
          <span>{name}</span>
          {use !== "" && <small>{use}</small>}
        </button>
      </Menu.Target>
      <Menu.Dropdown className={classes.menu}>
        <Menu.Label className={classes.menuWords}>{words}</Menu.Label>
        {isPinned && (
          <Menu.Item onClick={() => onAsk(letGo(asked, turn, id))}>Let the plan decide again</Menu.Item>
        )}
        {!isPinned && (
          <Menu.Item onClick={() => onAsk(withStudentAt(asked, { rotation: turn, station, student: id }))}>
            Keep here
          </Menu.Item>
        )}
        {stations.map(({ subject }, to) =>
          to === station ? null : (
            <Menu.Item
              key={to}
              onClick={() => onAsk(withStudentAt(asked, { rotation: turn, station: to, student: id }))}
            >
              To station {to + 1}
              {subject !== null && `: ${mayDo.has(subject) ? skillName(subject) : "another drill for it"}`}
            </Menu.Item>
          ),
        )}
        <Menu.Label>Change places with</Menu.Label>
        {plan.students.map((other) => {
          const at = other.places[turn]?.station;
          return at === undefined || at === station ? null : (
            <Menu.Item
              key={other.id}
              onClick={() => onAsk(swapped(asked, plan.students, turn, [id, other.id]))}
            >
              {nameOf(other.id)}
            </Menu.Item>
          );
        })}
      </Menu.Dropdown>
    </Menu>
  );
}

import {
  PROGRAMME_LIMITS,
  programmeFaults,
  skillOf,
  type ItemSide,
  type OwnProgramme,
  type ProgrammeFault,
  type ProgrammeItem,
} from "@mirrup/core";
import {
  ActionIcon,
  Alert,
  Button,
  Fieldset,
  Group,
  NativeSelect,
  Select,
  Text,
  TextInput,
} from "@mantine/core";
import { useForm } from "@mantine/form";
import { IconArrowDown, IconArrowUp, IconX } from "@tabler/icons-react";
import { useEffect, useState } from "react";
import { v7 as uuid } from "uuid";
import { NumberField } from "../app/number-field.js";
import { catalogue, programmes } from "../app/catalogue.js";
import { byAnyName, skillOptions } from "../app/skill-options.js";
import { offerUndo } from "../app/undo.js";
import { capital, skillName } from "../app/words.js";
import { UnsavedNote, useUnsaved } from "../device/index.js";
import { useEntryForm, type Opened } from "../own-skill/index.js";
import { AskField } from "./ask-field.js";
import {
  changedItem,
  movedItem,
  newItem,
  NEW_PROGRAMME,
  placeBeside,
  settledProgramme,
  withItem,
  withoutItem,
  type ItemPlace,
} from "./draft.js";
import classes from "./programmes.module.css";
import { ITEM_SIDE_NAMES } from "./words.js";

const SIDE_OPTIONS = (["both", "either", "left", "right"] as const).map((value) => ({
  value,
  label: ITEM_SIDE_NAMES[value],
}));

interface ProgrammeFormProps {
  /** Null for a new one. */
  readonly was: { readonly key: string; readonly programme: OwnProgramme } | null;
  readonly onDone: (key: string) => void;
  readonly onLeave: () => void;
}

/** What a programme asks, under which headings, in which order. */
export function ProgrammeForm({ was, onDone, onLeave }: ProgrammeFormProps) {
  const [opened] = useState((): Opened<OwnProgramme> => ({
    values: was?.programme ?? NEW_PROGRAMME,
    about: { subject: was?.key ?? `programme:${uuid()}`, was: was?.programme ?? null },
  }));
  const unsaved = useUnsaved(`programme ${was?.key ?? "new"}`, opened);
  const form = useForm<OwnProgramme>({ initialValues: opened.values });
  const { about, isFound, drop, isPending, refusal, save: put } = useEntryForm(form, unsaved, opened, onDone);
  const key = about.subject;
  const [isTried, setTried] = useState(false);
  const { values } = form;
  const is = settledProgramme(values);
  // Of an empty heading nothing is said: the places are those of the form.
  const faults = programmeFaults(catalogue(), key, { ...is, headings: values.headings }, programmes());
  const whole = faults.filter((fault) => fault.heading === null);
  const noName = is.name === "" ? "Give it a name." : null;
  const others = [...programmes()].filter(([other]) => other !== key);
  const arrange = (headings: OwnProgramme["headings"]) => form.setFieldValue("headings", headings);
  const removeHeading = (place: number) => {
    const heading = values.headings[place];
    if (heading === undefined) return;
    arrange(values.headings.filter((_, at) => at !== place));
    if (heading.title === "" && heading.items.length === 0) return;
    offerUndo(`${headingName(heading.title, place)} is removed with its skills.`, () =>
      form.setFieldValue("headings", (now) => now.toSpliced(place, 0, heading)),
    );
  };
  // Whoever moves by keys goes on with the same skill, wherever it stands now.
  const [moved, setMoved] = useState<string | null>(null);
  useEffect(() => {
    if (moved !== null) document.getElementById(moved)?.focus();
  }, [moved, values.headings]);
  const save = () => {
    setTried(true);
    if (noName !== null || faults.length > 0) return;
    const done = was === null ? `${is.name} is among the programmes.` : `${is.name} is changed.`;
    put(is, done);
  };
  return (
    <form
      className={classes.form}
      aria-label={was === null ? "A new programme" : `The programme ${was.programme.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      {isFound && <UnsavedNote onDrop={drop} />}
      <div className={classes.fields}>
        <TextInput
          label="Name"
          size="md"
          withAsterisk
          maxLength={PROGRAMME_LIMITS.name}
          {...form.getInputProps("name")}
          error={isTried ? noName : undefined}
        />
        <NativeSelect
          label="After"
          size="md"
          data={[
            { value: "", label: "no other programme" },
            ...others.map(([value, { name }]) => ({ value, label: name })),
          ]}
          value={values.before ?? ""}
          onChange={({ currentTarget }) =>
            form.setFieldValue("before", currentTarget.value === "" ? null : currentTarget.value)
          }
        />
        <NativeSelect
          label="Worked through"
          size="md"
          data={[
            { value: "free", label: "in any order" },
            { value: "fixed", label: "in this order" },
          ]}
          value={values.order}
          onChange={({ currentTarget }) =>
            form.setFieldValue("order", currentTarget.value === "fixed" ? "fixed" : "free")
          }
        />
        <NumberField
          label="May be missing"
          size="md"
          min={0}
          max={PROGRAMME_LIMITS.items}
          value={values.allBut}
          onSay={(number) => form.setFieldValue("allBut", number)}
        />
      </div>
      {values.headings.map((heading, place) => (
        <Heading
          key={place}
          {...{ place, headings: values.headings, isOnly: values.headings.length === 1 }}
          faults={faults.filter((fault) => fault.heading === place)}
          title={heading.title}
          onChange={arrange}
          onRemove={() => removeHeading(place)}
          onMoved={setMoved}
        />
      ))}
      <Group>
        <Button
          variant="default"
          disabled={values.headings.length >= PROGRAMME_LIMITS.headings}
          onClick={() => arrange([...values.headings, { title: "", items: [] }])}
        >
          Another heading
        </Button>
      </Group>
      {isTried && whole.length > 0 && (
        <Text role="alert" className={classes.fault}>
          {whole.map(({ message }) => message).join(" ")}
        </Text>
      )}
      {refusal !== null && (
        <Alert color="red" title="Not saved" role="alert">
          {refusal}
        </Alert>
      )}
      <Group>
        <Button type="submit" size="md" loading={isPending}>
          Save the programme
        </Button>
        <Button
          variant="default"
          size="md"
          onClick={() => {
            unsaved.keep(null);
            onLeave();
          }}
        >
          Cancel
        </Button>
      </Group>
    </form>
  );
}

const headingName = (title: string, place: number) => (title.trim() === "" ? `Heading ${place + 1}` : title);

interface HeadingProps {
  readonly place: number;
  readonly title: string;
  readonly headings: OwnProgramme["headings"];
  readonly isOnly: boolean;
  readonly faults: readonly ProgrammeFault[];
  readonly onChange: (headings: OwnProgramme["headings"]) => void;
  readonly onRemove: () => void;
  /** The id of what is to be gone on with. */
  readonly onMoved: (id: string) => void;
}

/** A heading with its skills, and the field that brings another. */
function Heading({ place, title, headings, isOnly, faults, onChange, onRemove, onMoved }: HeadingProps) {
  const items = headings[place]?.items ?? [];
  const isFull = headings.flatMap((heading) => heading.items).length >= PROGRAMME_LIMITS.items;
  const name = headingName(title, place);
  return (
    <Fieldset legend={name}>
      <Group align="flex-end">
        <TextInput
          label="Heading"
          description="May be empty."
          size="md"
          maxLength={PROGRAMME_LIMITS.title}
          value={title}
          onChange={({ currentTarget }) =>
            onChange(headings.map((one, at) => (at === place ? { ...one, title: currentTarget.value } : one)))
          }
        />
        {!isOnly && (
          <Button variant="subtle" aria-label={`Remove ${name} with its skills`} onClick={onRemove}>
            Remove
          </Button>
        )}
      </Group>
      <ol className={classes.items}>
        {items.map((item, at) => (
          <Item
            key={`${item.skill} ${items.slice(0, at).filter(({ skill }) => skill === item.skill).length}`}
            item={item}
            at={{ heading: place, item: at }}
            headings={headings}
            fault={faults.find((fault) => fault.item === at)?.message ?? null}
            onChange={onChange}
            onMoved={onMoved}
          />
        ))}
      </ol>
      <Select
        label="Add a skill"
        placeholder="Any of its names"
        size="md"
        maw={420}
        mt="sm"
        searchable
        filter={byAnyName}
        limit={40}
        disabled={isFull}
        data={skillOptions()}
        value={null}
        nothingFoundMessage="No skill has this name."
        onChange={(skill) => skill !== null && onChange(withItem(headings, place, newItem(skill)))}
      />
    </Fieldset>
  );
}

interface ItemProps {
  readonly item: ProgrammeItem;
  readonly at: ItemPlace;
  readonly headings: OwnProgramme["headings"];
  readonly fault: string | null;
  readonly onChange: (headings: OwnProgramme["headings"]) => void;
  readonly onMoved: (id: string) => void;
}

const WAYS = { up: -1, down: 1 } as const;
type Way = keyof typeof WAYS;
const wayId = ({ heading, item }: ItemPlace, way: Way) => `item ${heading} ${item} ${way}`;

/** One skill that is asked: on which side, how much, how; and its way up and down. */
function Item({ item, at, headings, fault, onChange, onMoved }: ItemProps) {
  const name = skillName(item.skill);
  const put = (change: Partial<ProgrammeItem>) => onChange(changedItem(headings, at, change));
  const isTwoSided = catalogue().skills.has(item.skill) && skillOf(catalogue(), item.skill).twoSided;
  const places = { up: placeBeside(headings, at, WAYS.up), down: placeBeside(headings, at, WAYS.down) };
  const move = (way: Way) => {
    const to = places[way];
    if (to === null) return;
    const after = movedItem(headings, at, to);
    onChange(after);
    // At the end the way on is shut, and the way back is open.
    const isEnd = placeBeside(after, to, WAYS[way]) === null;
    onMoved(wayId(to, isEnd ? (way === "up" ? "down" : "up") : way));
  };
  return (
    <li className={classes.item} aria-label={name}>
      <span className={classes.itemName}>{capital(name)}</span>
      {isTwoSided && (
        <NativeSelect
          label="Side"
          data={SIDE_OPTIONS}
          value={item.side}
          onChange={({ currentTarget }) =>
            put({
              side:
                SIDE_OPTIONS.find(({ value }) => value === currentTarget.value)?.value ??
                ("both" satisfies ItemSide),
            })
          }
        />
      )}
      <AskField value={item.ask} onChange={(ask) => put({ ask })} />
      <TextInput
        label="How"
        placeholder="A line, if it needs one"
        maxLength={PROGRAMME_LIMITS.how}
        value={item.how ?? ""}
        onChange={({ currentTarget }) => put({ how: currentTarget.value })}
      />
      <ActionIcon.Group>
        {(["up", "down"] as const).map((way) => (
          <ActionIcon
            key={way}
            id={wayId(at, way)}
            variant="default"
            size={36}
            disabled={places[way] === null}
            aria-label={`${capital(name)} ${way}`}
            onClick={() => move(way)}
          >
            {way === "up" ? <IconArrowUp size={18} aria-hidden /> : <IconArrowDown size={18} aria-hidden />}
          </ActionIcon>
        ))}
        <ActionIcon
          variant="default"
          size={36}
          aria-label={`Remove ${name}`}
          onClick={() => onChange(withoutItem(headings, at))}
        >
          <IconX size={18} aria-hidden />
        </ActionIcon>
      </ActionIcon.Group>
      {fault !== null && (
        <Text role="alert" size="sm" className={classes.fault}>
          {fault}
        </Text>
      )}
    </li>
  );
}

import { catalogueWith } from "@mirrup/catalogue";
import { NO_OVERLAY, type Overlay } from "@mirrup/core";
import { Alert, Button, Group, Text, Title } from "@mantine/core";
import { useDocumentTitle, useStateHistory } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { Link } from "react-router";
import { catalogueQuery, useMayTeach } from "../account/index.js";
import { catalogue } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { counted } from "../app/plural.js";
import { UndoRedo } from "../app/undo-redo.js";
import { capital, skillName } from "../app/words.js";
import { UnsavedNote, useUnsaved } from "../device/index.js";
import { Affected, CatchingUp, changesTo, useSkillChange } from "../own-skill/index.js";
import { heldBy, heldWords, movedBy, moveTo, type Move } from "./moves.js";
import { StrandBoard } from "./strand-board.js";
import classes from "./skill-order.module.css";

const NO_MOVES: readonly Move[] = [];

/** The strands with moves that are not saved yet; another one once they are. */
function Arranging({ onSaved }: { readonly onSaved: () => void }) {
  const paths = usePaths();
  const { found, keep } = useUnsaved<readonly Move[]>("order of the skills", NO_MOVES);
  const [moves, history, { history: all, current }] = useStateHistory(found ?? NO_MOVES);
  useEffect(() => keep(moves.length === 0 ? null : moves), [moves, keep]);
  const { data } = useQuery(catalogueQuery);
  const own: Overlay = data ?? NO_OVERLAY;
  const change = useSkillChange(() => {
    keep(null);
    onSaved();
  });
  const { then, result } = useMemo(() => {
    const moved = movedBy(own, moves, (skill) => catalogue().skills.has(skill));
    return { then: moved, result: catalogueWith({ ...moved, edition: own.edition + 1 }) };
  }, [own, moves]);
  const strands = result.ok ? result.catalogue.strands : catalogue().strands;
  const changes = changesTo(own.entries, then.entries);
  const last = moves.at(-1);
  const held = last === undefined ? null : heldBy(strands, last);
  return (
    <>
      <Text maw="46rem">
        Drag a skill by its grip to where it belongs, on its own strand or another. With the keys: space, the
        arrows, space. What a skill needs of its strand always comes before it.
      </Text>
      {found !== null && current === 0 && moves.length > 0 && (
        <UnsavedNote onDrop={() => history.set(NO_MOVES)} />
      )}
      <Group gap="sm">
        <UndoRedo
          size="md"
          onUndo={current > 0 ? () => history.back() : null}
          onRedo={current < all.length - 1 ? () => history.forward() : null}
        />
        <Button
          size="md"
          disabled={!result.ok || changes.length === 0}
          loading={change.isPending}
          onClick={() => change.mutate({ changes, done: "The skills stand as you put them." })}
        >
          Save the order
        </Button>
        <Button component={Link} to={paths.skills} variant="default" size="md">
          To the skill book
        </Button>
        <Text role="status">
          {changes.length === 0 ? "" : `${counted(moves.length, "move")}, not saved yet.`}
          {last !== undefined && held !== null && ` ${heldWords(capital(skillName(last.skill)), held)}`}
        </Text>
      </Group>
      {!result.ok && (
        <Alert color="red" title="This cannot be taught" role="alert">
          {result.faults.map(({ message }) => message).join(" ")} Undo the last move.
        </Alert>
      )}
      {change.isError && (
        <Alert color="red" title="Not saved" role="alert">
          {change.error.message}
        </Alert>
      )}
      <CatchingUp />
      <Affected changes={result.ok ? changes : []} />
      <StrandBoard
        strands={strands}
        moved={new Set(moves.map(({ skill }) => skill))}
        onPut={(skill, target) => {
          const move = moveTo(strands, skill, target);
          if (move !== null) history.set([...moves, move]);
        }}
      />
    </>
  );
}

/** In which order do the strands have the skills, and on which strand is each? */
export function SkillOrderPage() {
  const mayTeach = useMayTeach();
  const [saved, setSaved] = useState(0);
  useDocumentTitle("Order of the skills · Mirrup");
  return (
    <div className={classes.page}>
      <Title order={1}>Order of the skills</Title>
      {mayTeach ? (
        <Arranging key={saved} onSaved={() => setSaved((count) => count + 1)} />
      ) : (
        <Text>Coaches and owners can change it.</Text>
      )}
    </div>
  );
}

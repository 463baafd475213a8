import type { GroupView } from "@mirrup/contract";
import { Button, Group, SegmentedControl, Skeleton, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useCallback, useMemo, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { useMayTeach } from "../account/index.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { PageLinks } from "../app/page-links.js";
import { usePaths } from "../app/paths.js";
import { meetingWords } from "../app/words.js";
import { BeadKey } from "../beads/index.js";
import { gridQuery, groupsQuery } from "../students/index.js";
import { ClassGrid } from "./class-grid.js";
import classes from "./class-page.module.css";
import { gridOf, ORDERS, type GridOrder } from "./grid.js";
import { LazyGroupForm } from "./lazy-group-form.js";
import { SkillSheet } from "./skill-sheet.js";
import { Together } from "./together.js";

/** The pictures of a class, what they are called, and what the address calls them. */
const VIEWS = [
  { value: "grid", label: "Grid" },
  { value: "frontier", label: "Frontier" },
  { value: "sheet", label: "Skill sheet" },
] as const;

const LazyFrontier = lazy(async () => ({ default: (await import("./class-frontier.js")).ClassFrontier }));

type Editing = "no" | "this" | "new";

function Groups({ groups }: { readonly groups: readonly GroupView[] }) {
  const paths = usePaths();
  // What is shown of one group is shown of the next.
  const [params] = useSearchParams();
  const view = params.get("view");
  const query = view === null ? "" : `?view=${view}`;
  return (
    <div className={classes.groups}>
      <PageLinks
        label="Groups"
        links={[
          { to: `${paths.class()}${query}`, name: "Everybody", end: true },
          ...groups.map(({ id, name }) => ({ to: `${paths.class(id)}${query}`, name })),
        ]}
      />
    </div>
  );
}

/** Who of a class is where, what most are ready for, and what some of them could do together. */
export function ClassPage() {
  const { groupId } = useParams();
  const paths = usePaths();
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const groups = useQuery(groupsQuery);
  const view = useQuery(gridQuery(groupId));
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [editing, setEditing] = useState<Editing>("no");
  const mayEdit = useMayTeach();
  const group = groups.data?.find((one) => one.id === groupId);
  useDocumentTitle(`${group?.name ?? "Class"} · Mirrup`);
  const order: GridOrder = ORDERS.find((one) => one === params.get("order")) ?? "shape";
  const shown = VIEWS.find(({ value }) => value === params.get("view"))?.value ?? "grid";
  const grid = useMemo(
    () => (view.data === undefined ? null : gridOf(view.data, catalogue(), order)),
    [view.data, order],
  );
  const choose = useCallback((id: string) => {
    setChosen((before) => {
      const after = new Set(before);
      if (!after.delete(id)) after.add(id);
      return after;
    });
  }, []);
  const set = (key: string, value: string) =>
    setParams(
      (before) => {
        const changed = new URLSearchParams(before);
        if (value === "") changed.delete(key);
        else changed.set(key, value);
        return changed;
      },
      { replace: true },
    );
  const failed = [groups, view].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    return (
      <Fault title="The class could not be read" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  const present = grid?.students ?? [];
  const some = present.filter((student) => chosen.has(student.id));
  const shownGroups = (groups.data ?? []).filter((one) => !one.archived || one.id === groupId);
  return (
    <div className={classes.page}>
      <header className={classes.header}>
        <div>
          <Title order={1}>{group?.name ?? "Everybody"}</Title>
          <Text className={classes.quiet}>
            {[
              group === undefined ? "" : meetingWords(group),
              grid === null ? "" : counted(present.length, "student"),
            ]
              .filter(Boolean)
              .join(". ")}
            {group?.archived === true && ". Archived."}
          </Text>
        </div>
        <Group gap="xs" className={classes.actions}>
          <SegmentedControl
            aria-label="What is shown"
            value={shown}
            onChange={(value) => set("view", value === "grid" ? "" : value)}
            data={[...VIEWS]}
          />
          <Button variant="default" component={Link} to={paths.classClock(groupId)}>
            Interval clock
          </Button>
          <Button variant="default" component={Link} to={paths.classProgress(groupId)}>
            Progress
          </Button>
          {group !== undefined && (
            <Button variant="default" component={Link} to={paths.classWeeks(group.id)}>
              Toward a show
            </Button>
          )}
          {mayEdit && group !== undefined && (
            <Button variant="default" onClick={() => setEditing("this")}>
              Edit the group
            </Button>
          )}
          {mayEdit && (
            <Button variant="default" onClick={() => setEditing("new")}>
              New group
            </Button>
          )}
        </Group>
      </header>
      <Groups groups={shownGroups} />
      {editing !== "no" && (
        <Suspense fallback={<Skeleton height={320} />}>
          <LazyGroupForm
            key={`${editing} ${group?.id ?? ""} ${group?.version ?? 0}`}
            group={editing === "this" ? (group ?? null) : null}
            onLeave={() => setEditing("no")}
            onDone={(saved) => {
              setEditing("no");
              void navigate(paths.class(saved.id));
            }}
          />
        </Suspense>
      )}
      {grid === null && <Skeleton height={420} />}
      {grid !== null && present.length === 0 && (
        <Text>
          {groupId === undefined
            ? "No students yet. Add the first one on the Students screen."
            : "Nobody is in this group yet. Edit the group and choose its students."}
        </Text>
      )}
      {grid !== null && present.length > 0 && shown === "sheet" && (
        <SkillSheet
          key={groupId ?? "all"}
          grid={grid}
          groupId={groupId}
          title={group?.name ?? "Everybody"}
          mayEdit={mayEdit}
        />
      )}
      {grid !== null && present.length > 0 && shown === "frontier" && (
        <Suspense fallback={<Skeleton height={420} />}>
          <LazyFrontier
            key={groupId ?? "all"}
            students={present}
            groupId={groupId}
            title={group?.name ?? "Everybody"}
          />
        </Suspense>
      )}
      {grid !== null && present.length > 0 && shown === "grid" && (
        <>
          <Group justify="space-between">
            <SegmentedControl
              aria-label="Order of the skills"
              value={order}
              onChange={(value) => set("order", value === "shape" ? "" : value)}
              data={[
                { value: "shape", label: "What most know first" },
                { value: "strand", label: "By strand" },
              ]}
            />
            {chosen.size > 0 && (
              <Button variant="subtle" onClick={() => setChosen(new Set())}>
                Clear the choice
              </Button>
            )}
          </Group>
          <ClassGrid grid={grid} chosen={chosen} onChoose={choose} />
          <BeadKey />
          <Together students={some.length > 0 ? some : present} groupId={groupId} />
        </>
      )}
    </div>
  );
}

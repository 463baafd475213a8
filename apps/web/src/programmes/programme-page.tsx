import { NO_OVERLAY, type OwnProgramme } from "@mirrup/core";
import { ActionIcon, Button, Group, Menu, Skeleton, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { IconDots } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { useMayTeach } from "../account/index.js";
import { ownCatalogue, programmes } from "../app/catalogue.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { PageLinks } from "../app/page-links.js";
import { usePaths } from "../app/paths.js";
import { saveFile } from "../app/save-file.js";
import { saveSheet, SHEET_KINDS } from "../app/save-sheet.js";
import { tellFault } from "../app/undo.js";
import { capital, listWords } from "../app/words.js";
import { fileOf, useSkillChange } from "../own-skill/index.js";
import { groupsQuery, programmeQuery } from "../students/index.js";
import { progressSheet } from "./progress-sheet.js";
import { entriesWith } from "./draft.js";
import { ProgrammeForm } from "./programme-form.js";
import { ProgrammeSheet } from "./programme-sheet.js";
import classes from "./programmes.module.css";
import { classWords, itemWords, missingMost, programmeWords } from "./words.js";

/** What most lack is shown of so many. */
const MISSING_SHOWN = 8;

const fileName = ({ name }: OwnProgramme) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "") || "programme";

/** A programme: what it asks, how far a class is with it, and its sheet to print and to type back. */
export function ProgrammePage() {
  const { programmeId = "" } = useParams();
  const paths = usePaths();
  const navigate = useNavigate();
  const mayTeach = useMayTeach();
  const isNew = programmeId === "new";
  const key = `programme:${programmeId}`;
  const programme = programmes().get(key);
  const [params, setParams] = useSearchParams();
  const isEdited = params.has("edit");
  useDocumentTitle(`${isNew ? "A new programme" : (programme?.name ?? "Programme")} · Mirrup`);
  if (isNew || (programme !== undefined && isEdited && mayTeach)) {
    return (
      <div className={classes.page}>
        <Title order={1}>{programme === undefined ? "A new programme" : programme.name}</Title>
        <ProgrammeForm
          key={programmeId}
          was={programme === undefined ? null : { key, programme }}
          onDone={(saved) => void navigate(paths.programme(saved))}
          onLeave={() => (isNew ? void navigate(paths.programmes) : setParams({}, { replace: true }))}
        />
      </div>
    );
  }
  if (programme === undefined) {
    return (
      <Fault title="There is no such programme">
        <Link to={paths.programmes}>Choose one from the list</Link>.
      </Fault>
    );
  }
  return <Progress key={key} subject={key} programme={programme} />;
}

interface ProgressProps {
  readonly subject: string;
  readonly programme: OwnProgramme;
}

function Tools({ subject, programme }: ProgressProps) {
  const paths = usePaths();
  const navigate = useNavigate();
  const mayTeach = useMayTeach();
  const { groupId } = useParams();
  const progress = useQuery(programmeQuery(subject, groupId));
  const change = useSkillChange(() => undefined);
  const own = ownCatalogue() ?? NO_OVERLAY;
  const put = (is: OwnProgramme | null, done: string) =>
    change
      .mutateAsync({ changes: [{ subject, was: programme, is }], done })
      .then(() => (is === null ? navigate(paths.programmes) : undefined))
      .catch(tellFault);
  const { isEnded = false, ...going } = programme;
  return (
    <Group gap="xs">
      {mayTeach && (
        <Button component={Link} to="?edit" variant="default">
          Edit
        </Button>
      )}
      <Button variant="default" component={Link} to={paths.certificates(subject, groupId)}>
        Certificates
      </Button>
      <Menu position="bottom-end">
        <Menu.Target>
          <ActionIcon variant="default" size={36} aria-label="More for this programme">
            <IconDots size={20} aria-hidden />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item
            onClick={() =>
              saveFile(
                `${fileName(programme)}.json`,
                fileOf({ entries: entriesWith(subject, programmes(), own.entries) }),
                "application/json",
              )
            }
          >
            Save the programme as a file
          </Menu.Item>
          {SHEET_KINDS.map(([kind, words]) => (
            <Menu.Item
              key={kind}
              disabled={progress.data === undefined}
              onClick={() => {
                const sheet = progressSheet(programme, progress.data ?? []);
                saveSheet(fileName(programme), kind, sheet).catch(tellFault);
              }}
            >
              Save who is how far {words}
            </Menu.Item>
          ))}
          {mayTeach && (
            <>
              <Menu.Item
                onClick={() =>
                  void (isEnded
                    ? put(going, `${programme.name} goes on.`)
                    : put({ ...going, isEnded: true }, `${programme.name} is ended.`))
                }
              >
                {isEnded ? "Take it up again" : "End it; what is done stays"}
              </Menu.Item>
              <Menu.Item color="red" onClick={() => void put(null, `${programme.name} is removed.`)}>
                Remove it
              </Menu.Item>
            </>
          )}
        </Menu.Dropdown>
      </Menu>
    </Group>
  );
}

function Progress({ subject, programme }: ProgressProps) {
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const { groupId } = useParams();
  const groups = useQuery(groupsQuery);
  const progress = useQuery(programmeQuery(subject, groupId));
  const failure = failureOf(progress);
  const shown = (groups.data ?? []).filter((one) => !one.archived || one.id === groupId);
  const title = groups.data?.find((one) => one.id === groupId)?.name ?? "Everybody";
  const students = progress.data;
  const missing = students === undefined ? [] : missingMost(programme, students).slice(0, MISSING_SHOWN);
  return (
    <div className={classes.page}>
      <header className={classes.header}>
        <div>
          <Link to={paths.programmes}>Programmes</Link>
          <Title order={1}>{programme.name}</Title>
          <Text className={classes.quiet}>
            {programmeWords(programme)}
            {programme.isEnded === true && ". Ended."}
          </Text>
          {students !== undefined && students.length > 0 && <Text>{classWords(students)}</Text>}
        </div>
        <Tools subject={subject} programme={programme} />
      </header>
      <PageLinks
        label="Groups"
        links={[
          { to: paths.programme(subject), name: "Everybody", end: true },
          ...shown.map(({ id, name }) => ({ to: paths.programme(subject, id), name })),
        ]}
      />
      {failure !== null && (
        <Fault title="The programme could not be read" onRetry={() => void progress.refetch()}>
          {failure.message}
        </Fault>
      )}
      {students === undefined && failure === null && <Skeleton height={320} />}
      {students?.length === 0 && <Text>Nobody is in this group yet.</Text>}
      {students !== undefined && students.length > 0 && (
        <div className={`${classes.printed} ${classes.sheet}`}>
          <ProgrammeSheet
            key={title}
            {...{ subject, programme, title, students }}
            mayEdit={mayTeach && programme.isEnded !== true}
          />
          {missing.length > 0 && (
            <section className={classes.notPrinted}>
              <Title order={2}>What most still lack</Title>
              <dl className={classes.missing}>
                {missing.map(({ item, students: names }) => (
                  <div key={itemWords(item)}>
                    <dt>
                      {capital(itemWords(item))}: {names.length}
                    </dt>
                    <dd>{listWords(names)}</dd>
                  </div>
                ))}
              </dl>
            </section>
          )}
        </div>
      )}
    </div>
  );
}

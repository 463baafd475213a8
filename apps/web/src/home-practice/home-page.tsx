import { HOME_DAYS, type Done, type NewHomeLink, type SetView } from "@mirrup/contract";
import { Button, Checkbox, CopyButton, Group, Skeleton, Text, TextInput, Title } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { toString as squareOf } from "qrcode";
import { useEffect, useState } from "react";
import { useParams } from "react-router";
import { ownDay } from "../app/own-day.js";
import { useMayTeach } from "../account/index.js";
import { NumberField } from "../app/number-field.js";
import { post, remove } from "../app/api.js";
import { countsWords, loggedDrillWords } from "../app/drill-words.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { counted } from "../app/plural.js";
import { readAnew } from "../app/read-anew.js";
import { tellFault } from "../app/undo.js";
import { capital, dateTimeWords, dateWords, subjectName } from "../app/words.js";
import { useDecide } from "../students/index.js";
import { homePracticeQuery } from "./queries.js";
import classes from "./home-practice.module.css";

/** A student's practice at home: the link to it, and what came back by it. */
export function HomePracticePage() {
  const { studentId = "" } = useParams();
  const practice = useQuery(homePracticeQuery(studentId));
  const failure = failureOf(practice);
  if (failure !== null) {
    return (
      <Fault title="The practice at home could not be read" onRetry={() => void practice.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (practice.data === undefined) return <Skeleton height={320} m="lg" />;
  const { link, isGrown, sets } = practice.data;
  return (
    <div className={classes.page}>
      <Came studentId={studentId} sets={sets} />
      <HomeLink studentId={studentId} endsAt={link?.expiresAt ?? null} isGrown={isGrown} />
    </div>
  );
}

/** Sets that the student counted alone: each is accepted, or left out. */
function Came({ studentId, sets }: { readonly studentId: string; readonly sets: readonly SetView[] }) {
  const mayTeach = useMayTeach();
  const { decide, isPending } = useDecide(studentId);
  const [settled, setSettled] = useState<ReadonlySet<string>>(new Set());
  const open = sets.filter(({ id }) => !settled.has(id));
  const settle = async (kind: "accept" | "void", some: readonly SetView[], done: string) => {
    const said = some.map(({ id, subject, side }) => ({
      ...{ subject, side, decision: { kind, target: id }, reason: "" },
    }));
    const [first, ...others] = said;
    if (first === undefined || !(await decide({ ...first, done }, ...others))) return;
    setSettled((before) => new Set([...before, ...some.map(({ id }) => id)]));
  };
  return (
    <section aria-labelledby="came">
      <Title order={2} id="came">
        What came back
      </Title>
      <Text className={classes.quiet}>
        Counted by the student, seen by nobody. Until you accept a set it counts as landings and as a hint of
        the chance; it clears nothing.
      </Text>
      {open.length === 0 && <Text mt="xs">Nothing waits to be looked at.</Text>}
      <ul className={classes.sets}>
        {open.map((set) => (
          <li key={set.id}>
            <div>
              <strong>{capital(subjectName(set.subject, set.side))}</strong>, {loggedDrillWords(set.drill)}:{" "}
              {countsWords(set)}
              <Text size="sm" className={classes.quiet}>
                {dateTimeWords(set.at)}
              </Text>
            </div>
            {mayTeach && (
              <Group gap="xs" wrap="nowrap">
                <Button
                  size="md"
                  disabled={isPending}
                  onClick={() => void settle("accept", [set], "The set counts now.")}
                >
                  Accept
                </Button>
                <Button
                  size="md"
                  variant="default"
                  disabled={isPending}
                  onClick={() => void settle("void", [set], "The set is left out.")}
                >
                  Leave out
                </Button>
              </Group>
            )}
          </li>
        ))}
      </ul>
      {mayTeach && open.length > 1 && (
        <Button
          variant="default"
          size="md"
          disabled={isPending}
          onClick={() => void settle("accept", open, `${counted(open.length, "set")} accepted.`)}
        >
          Accept all {open.length}
        </Button>
      )}
    </section>
  );
}

interface HomeLinkProps {
  readonly studentId: string;
  /** Null where there is no link. */
  readonly endsAt: string | null;
  readonly isGrown: boolean;
}

/** The link to the student's own page: made, shown once, and ended. */
function HomeLink({ studentId, endsAt, isGrown }: HomeLinkProps) {
  const mayTeach = useMayTeach();
  const client = useQueryClient();
  const [days, setDays] = useState<number>(HOME_DAYS.usual);
  const [agreed, setAgreed] = useState(false);
  const again = () => readAnew(client, { topics: ["students"], studentIds: [studentId] });
  const make = useMutation({
    mutationFn: () => post<NewHomeLink>(`/students/${studentId}/home`, { days, agreed }),
    onSuccess: again,
    onError: tellFault,
  });
  const end = useMutation({
    mutationFn: () => remove<Done>(`/students/${studentId}/home`),
    onSuccess: async () => {
      make.reset();
      await again();
    },
    onError: tellFault,
  });
  const made = make.data;
  return (
    <section aria-labelledby="link" className={classes.link}>
      <Title order={2} id="link">
        A link for home
      </Title>
      <Text>
        Whoever has it sees this student’s next drills, what they can do and the way to their goals, and can
        send sets. It shows no name, no other student and nothing of the studio.
      </Text>
      {endsAt !== null && (
        <Text>
          There is a link, until {dateWords(ownDay(endsAt))}.{" "}
          {made === undefined && "It was shown when it was made; a new one ends it."}
        </Text>
      )}
      {made !== undefined && <Square token={made.token} />}
      {mayTeach && (
        <div className={classes.tools}>
          <NumberField
            label="Days that it lasts"
            size="md"
            w={170}
            min={HOME_DAYS.least}
            max={HOME_DAYS.most}
            value={days}
            onSay={setDays}
          />
          {!isGrown && (
            <Checkbox
              size="md"
              label="A parent or guardian knows of this link and agrees."
              description="Asked of whoever is, or may be, under 16. Local rules may ask for more."
              checked={agreed}
              onChange={(event) => setAgreed(event.currentTarget.checked)}
            />
          )}
          <Group gap="sm">
            <Button
              size="md"
              loading={make.isPending}
              disabled={!isGrown && !agreed}
              onClick={() => make.mutate()}
            >
              {endsAt === null ? "Make the link" : "Make a new link"}
            </Button>
            {endsAt !== null && (
              <Button variant="default" size="md" loading={end.isPending} onClick={() => end.mutate()}>
                End the link
              </Button>
            )}
          </Group>
        </div>
      )}
    </section>
  );
}

/** Addresses that are this machine's own, and no phone's. */
const OWN_NAMES: ReadonlySet<string> = new Set(["localhost", "127.0.0.1", "[::1]"]);

/** A link as text and as a square that a phone reads. */
function Square({ token }: { readonly token: string }) {
  const address = `${window.location.origin}/home/${token}`;
  const [square, setSquare] = useState("");
  useEffect(() => {
    let isWanted = true;
    void squareOf(address, { type: "svg", margin: 2, errorCorrectionLevel: "M" }).then((svg) => {
      if (isWanted) setSquare(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`);
    });
    return () => {
      isWanted = false;
    };
  }, [address]);
  return (
    <div className={classes.printed}>
      {square !== "" && <img src={square} alt="A square that a phone reads as the link" />}
      <div>
        <Text className={classes.cue}>Your practice at home</Text>
        <Text>Read the square with a phone’s camera, and keep the page on its home screen.</Text>
        {OWN_NAMES.has(window.location.hostname) && (
          <Text role="note" className={classes.unreached}>
            No phone reaches this address, which is this machine’s own. Open Mirrup by the name that phones
            know it by, and make the link there.
          </Text>
        )}
        <Group align="flex-end" gap="xs" mt="xs">
          <TextInput label="The link, shown this once" size="md" w={320} readOnly value={address} />
          <CopyButton value={address}>
            {({ copied, copy }) => (
              <Button variant="default" size="md" onClick={copy}>
                {copied ? "Copied" : "Copy"}
              </Button>
            )}
          </CopyButton>
          <Button variant="default" size="md" onClick={() => window.print()}>
            Print
          </Button>
        </Group>
      </div>
    </div>
  );
}

import type { NextItem } from "@mirrup/contract";
import { gateDrill, SIDE_NAMES, sidesOf, type Drill, type SideName } from "@mirrup/core";
import { isMet } from "@mirrup/core/teaching";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useEffectEvent, useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { isRefused } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { capital, subjectName } from "../app/words.js";
import { LedBar, useLed } from "../led/index.js";
import { floorPlace, PresenceNote, usePresence } from "../presence/index.js";
import { ladderQuery, nextQuery, standingsQuery, studentQuery } from "../students/index.js";
import { addressOf, drillFrom } from "../app/drill-address.js";
import { useVoice } from "../voice/index.js";
import { Stopped, useStopped } from "./early-stop.js";
import { FloorSet } from "./floor-set.js";
import { AnotherStudent, StudentStrip } from "./student-strip.js";
import { useLead } from "./use-lead.js";
import { useStrip } from "./use-strip.js";
import { useOpened } from "../app/use-opened.js";
import { useWakeLock } from "../app/use-wake-lock.js";
import { FloorHeader } from "./floor-header.js";
import classes from "./floor.module.css";

const FALLBACK: Drill = { kind: "streak", count: 10 };

function useFloorSubject(): {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
} | null {
  const { studentId = "", subject = "", side } = useParams();
  const skill = catalogue().skills.get(subject);
  const known = SIDE_NAMES.find((one) => one === side);
  if (skill === undefined || known === undefined || !sidesOf(skill).includes(known)) return null;
  return { studentId, subject, side: known };
}

/** What now, and did it count? */
export function FloorPage() {
  const about = useFloorSubject();
  if (about === null) {
    return (
      <Fault title="There is no such drill">
        The address names a skill or a side that the catalogue does not have. Choose a bead on the student's
        strands.
      </Fault>
    );
  }
  return <Floor key={`${about.studentId} ${about.subject} ${about.side}`} {...about} />;
}

interface FloorProps {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
}

function Floor({ studentId, subject, side }: FloorProps) {
  const paths = usePaths();
  const [params, setParams] = useSearchParams();
  // Counts the sets run here, so that the next one on the same side begins afresh.
  const [round, setRound] = useState(0);
  const student = useQuery(studentQuery(studentId));
  const standings = useQuery(standingsQuery(studentId));
  const next = useQuery(nextQuery(studentId));
  const ladder = useQuery(ladderQuery(studentId, subject, side));
  const title = capital(subjectName(subject, side));
  useDocumentTitle(`${title} · Mirrup`);
  useWakeLock();

  const about = { studentId, subject, side };
  const [isCounting, setCounting] = useState(false);
  const onCounting = useCallback(() => setCounting(true), []);
  const place = floorPlace(studentId, subject, side);
  // From the first set on until the page is left.
  const presence = usePresence({ place, isHere: isCounting });
  const name = student.data?.name ?? "";
  const strip = useStrip(about, name);
  const voice = useVoice();
  const isOneOfSeveral = strip.entries.length > 0 && name !== "";
  const say = useEffectEvent(voice.say);
  useEffect(() => {
    // Whose turn it is.
    if (isOneOfSeveral && voice.isReady) say(name);
  }, [isOneOfSeveral, voice.isReady, name]);

  const isHere = (one: { readonly subject: string; readonly side: SideName }) =>
    one.subject === subject && one.side === side;
  const proposal: NextItem | undefined = next.data?.find(isHere);
  const proposed = proposal?.drill ?? null;
  const item = standings.data?.find(isHere);
  // What others come before goes on where its ladder stands; what is cleared is run at its gate.
  const step = isMet(item?.status ?? "locked") ? undefined : ladder.data?.find((rung) => rung.isNext);
  const base = proposed ?? step?.drill ?? (item === undefined ? FALLBACK : gateDrill(item.gate));
  const drill = drillFrom(params, base);
  const [first] = next.data ?? [];
  const { hasStopped, press } = useStopped(studentId, student.data?.hasStopped ?? false);

  const choose = (chosen: Drill) => setParams(addressOf(chosen), { replace: true });
  const again = () => setRound(round + 1);
  const session = useLed(studentId);
  const known = next.isFetching ? undefined : proposal;
  const lead = useLead(about, session, {
    first: next.isFetching ? undefined : first,
    here: known,
    onAgain: again,
  });

  // What is proposed needs no ladder, and a floor does not wait for one that does not come at once.
  const needsLadder = proposed === null && ladder.failureCount === 0;
  const isOpen = useOpened(
    [standings, ...(needsLadder ? [ladder] : [])].some(
      (one) => one.isPending && one.fetchStatus === "fetching",
    ),
  );
  const gone = student.error ?? standings.error;
  // Whatever else cannot be read, the counting goes on.
  if (isRefused(gone)) return <Fault title="This student is not here">{gone.message}</Fault>;
  return (
    <main className={classes.floor}>
      <FloorHeader to={paths.bead(studentId, subject)} title={title} sub={name}>
        {strip.entries.length === 0 && <AnotherStudent strip={strip} about={about} name={name} />}
        {!hasStopped && (
          <button type="button" className={classes.leave} onClick={() => press(true)}>
            Pain: stop today
          </button>
        )}
      </FloorHeader>
      {!hasStopped && <LedBar studentId={studentId} session={session} onAgain={again} />}
      <StudentStrip strip={strip} about={about} name={name} />
      {hasStopped && (
        <Stopped name={name} isSent={student.data?.hasStopped === true} onTakeBack={() => press(false)} />
      )}
      {!hasStopped && (
        <PresenceNote presence={presence} what="What is counted there becomes a set of its own." />
      )}
      {!hasStopped &&
        (!isOpen ? (
          <p role="status" className={classes.note}>
            Opening the floor …
          </p>
        ) : (
          <FloorSet
            key={round}
            about={about}
            proposed={drill}
            proposal={proposal}
            standings={standings.data}
            ropeMisfitMm={student.data?.ropeMisfitMm ?? null}
            lead={lead}
            here={known}
            after={next.data?.find((one) => !isHere(one))}
            onChoose={choose}
            onCounting={onCounting}
            voice={voice}
            onFinished={session.count}
            onAgain={again}
          />
        ))}
    </main>
  );
}

import { programmeItems } from "@mirrup/core";
import { Button, Group, Skeleton, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { programmes } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { capital, dateWords } from "../app/words.js";
import { programmeQuery, studioQuery } from "../students/index.js";
import classes from "./programmes.module.css";
import { itemWords } from "./words.js";

/** A plain page for each who has finished, to print and to sign. */
export function CertificatesPage() {
  const { programmeId = "", groupId } = useParams();
  const paths = usePaths();
  const key = `programme:${programmeId}`;
  const programme = programmes().get(key);
  const progress = useQuery({ ...programmeQuery(key, groupId), enabled: programme !== undefined });
  const studio = useQuery(studioQuery);
  useDocumentTitle(`Certificates · Mirrup`);
  if (programme === undefined) {
    return (
      <Fault title="There is no such programme">
        <Link to={paths.programmes}>Choose one from the list</Link>.
      </Fault>
    );
  }
  const failure = failureOf(progress);
  const items = programmeItems(programme);
  const finished = (progress.data ?? []).filter(({ finishedOn }) => finishedOn !== null);
  return (
    <div className={classes.page}>
      <header className={classes.header}>
        <div>
          <Link to={paths.programme(key, groupId)}>{programme.name}</Link>
          <Title order={1}>Certificates</Title>
        </div>
        {finished.length > 0 && (
          <Group>
            <Button size="md" onClick={() => window.print()}>
              Print {counted(finished.length, "certificate")}
            </Button>
          </Group>
        )}
      </header>
      {failure !== null && (
        <Fault title="The programme could not be read" onRetry={() => void progress.refetch()}>
          {failure.message}
        </Fault>
      )}
      {progress.isLoading && <Skeleton height={420} />}
      {progress.data !== undefined && finished.length === 0 && (
        <Text>
          Nobody has finished yet. Whoever has done enough can be said to have finished on{" "}
          <Link to={paths.programme(key, groupId)}>the programme’s page</Link>.
        </Text>
      )}
      {finished.map(({ studentId, name, finishedOn, items: done }) => (
        <article key={studentId} className={`${classes.certificate} ${classes.printed}`} aria-label={name}>
          <Text>{studio.data?.name}</Text>
          <h2>{name}</h2>
          <Text size="lg">
            has finished <strong>{programme.name}</strong>
          </Text>
          <ul>
            {items
              .filter((_, place) => done[place]?.isDone === true)
              .map((item) => (
                <li key={itemWords(item)}>{capital(itemWords(item))}</li>
              ))}
          </ul>
          <Text>{finishedOn === null ? "" : dateWords(finishedOn)}</Text>
          <div className={classes.signed}>
            <span>Instructor</span>
          </div>
        </article>
      ))}
    </div>
  );
}

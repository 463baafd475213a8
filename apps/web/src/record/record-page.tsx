import type { StudentDetail } from "@mirrup/contract";
import { Button, Fieldset, Skeleton, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { usePaths } from "../app/paths.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { detailQuery } from "../students/index.js";
import { Archive } from "./archive.js";
import { DecisionList } from "./decision-list.js";
import { RecordForm } from "./record-form.js";
import { RopeFit } from "./rope-fit.js";
import { PartOf, SecondRecords } from "./second-records.js";
import classes from "./record-page.module.css";

/** What people wrote down about a student, the rope that fits, and what was decided. */
export function RecordPage() {
  const { studentId = "" } = useParams();
  const detail = useQuery(detailQuery(studentId));
  const failure = failureOf(detail);
  if (failure !== null) {
    return (
      <Fault title="The record could not be read" onRetry={() => void detail.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (detail.data === undefined) return <Skeleton height={400} m="lg" />;
  if (detail.data.sameAs !== null) return <PartOf detail={detail.data} />;
  return <Parts detail={detail.data} />;
}

function Parts({ detail }: { readonly detail: StudentDetail }) {
  const paths = usePaths();
  return (
    <div className={classes.page}>
      <RecordForm detail={detail} />
      <aside className={classes.beside}>
        <RopeFit detail={detail} />
        <Fieldset legend="Jump height">
          <Text size="sm" mb="xs">
            Measured from ten tapped landings; every window of theirs is reckoned with it.
          </Text>
          <Button
            component={Link}
            to={`${paths.timing}?skill=double-under&student=${detail.id}`}
            variant="default"
            size="sm"
          >
            Measure a jump
          </Button>
        </Fieldset>
        <Fieldset legend="Decisions">
          <DecisionList studentId={detail.id} />
        </Fieldset>
        <Fieldset legend="Archive">
          <Text size="sm" mb="xs">
            Whoever is archived is in no list or plan; everything of theirs is kept and can be brought back.
          </Text>
          <Archive detail={detail} />
        </Fieldset>
        <Fieldset legend="The same child twice">
          <SecondRecords detail={detail} />
        </Fieldset>
      </aside>
    </div>
  );
}

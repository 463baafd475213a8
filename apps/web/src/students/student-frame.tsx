import { Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { Link, Outlet, useParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { PageLinks } from "../app/page-links.js";
import { STUDENT_PAGE_NAMES, STUDENT_PAGES, usePaths } from "../app/paths.js";
import { goalWords, listWords, SCHOOL_NAMES } from "../app/words.js";
import { detailQuery, studentQuery, studioQuery } from "./queries.js";
import classes from "./student-frame.module.css";

/** Whose pages these are, where they stand, and the way between the pages. */
export function StudentFrame() {
  const { studentId = "" } = useParams();
  const paths = usePaths();
  const student = useQuery(studentQuery(studentId));
  const detail = useQuery(detailQuery(studentId));
  const studio = useQuery(studioQuery);
  useDocumentTitle(`${student.data?.name ?? "Student"} · Mirrup`);
  const failure = failureOf(student);
  if (failure !== null) {
    return (
      <Fault title="This student could not be read" onRetry={() => void student.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  const { data } = student;
  const school = detail.data?.school ?? studio.data?.school;
  return (
    <div className={classes.frame}>
      <header className={classes.header}>
        <Link to={paths.students} className={classes.back}>
          All students
        </Link>
        <Title order={1}>{data?.name ?? "…"}</Title>
        <Text className={classes.sub}>
          {data !== undefined &&
            `${data.counts.cleared} skill sides cleared, ${data.counts.working} working, ${data.counts.ready} ready. `}
          {school !== undefined &&
            `School: ${SCHOOL_NAMES[school]}${detail.data?.school == null ? "" : " (own)"}. `}
          {data !== undefined && data.goals.length > 0 && `Goal: ${listWords(data.goals.map(goalWords))}. `}
          {data?.archived === true && detail.data?.sameAs == null && <strong>Archived.</strong>}
          {detail.data?.sameAs != null && (
            <strong>
              Part of <Link to={paths.student(detail.data.sameAs)}>another record of the same child</Link>.
            </strong>
          )}
        </Text>
        <div className={classes.pages}>
          <PageLinks
            label="Pages of this student"
            links={[
              { to: paths.student(studentId), name: "Strands", end: true },
              ...STUDENT_PAGES.map((page) => ({
                to: paths.studentPage(studentId, page),
                name: STUDENT_PAGE_NAMES[page],
              })),
              { to: `${paths.combos}?for=${studentId}`, name: "Combos" },
            ]}
          />
        </div>
      </header>
      <Outlet />
    </div>
  );
}

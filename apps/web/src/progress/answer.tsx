import { Button, Group, Skeleton, Text, Title } from "@mantine/core";
import { lazy, Suspense, useId, useState } from "react";
import { SheetButton } from "../app/sheet-button.js";
import { hasValues, questionSheet, tableOf, type Question } from "./question.js";
import classes from "./answer.module.css";

const QuestionCanvas = lazy(async () => ({ default: (await import("./canvas.js")).QuestionCanvas }));

/** A question with its answer: in words, as a chart, and as a table for whoever sees none and for print. */
export function Answer({ question }: { readonly question: Question }) {
  const [isTable, setTable] = useState(false);
  const heading = useId();
  const { title, sentence } = question;
  const isDrawn = hasValues(question);
  return (
    <section className={classes.answer} aria-labelledby={heading}>
      <Title order={2} id={heading} className={classes.heading}>
        {title}
      </Title>
      <Text>{sentence}</Text>
      {isDrawn && (
        <>
          <div className={classes.chart} data-hidden={isTable || undefined}>
            <Suspense fallback={<Skeleton height="100%" />}>
              <QuestionCanvas question={question} />
            </Suspense>
          </div>
          <div className={classes.table} data-shown={isTable || undefined}>
            <Numbers question={question} />
          </div>
          <Group gap="xs" className={classes.tools}>
            <Button
              variant="subtle"
              px={6}
              aria-label={`As a table: ${title}`}
              aria-pressed={isTable}
              onClick={() => setTable(!isTable)}
            >
              As a table
            </Button>
            <SheetButton
              name={question.id}
              of={title}
              make={() => questionSheet(question)}
              variant="subtle"
              px={6}
            />
          </Group>
        </>
      )}
    </section>
  );
}

function Numbers({ question }: { readonly question: Question }) {
  const { fields, rows } = tableOf(question);
  return (
    <table>
      <caption className={classes.unseen}>{question.title}</caption>
      <thead>
        <tr>
          {fields.map((field) => (
            <th key={field} scope="col">
              {field}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([label, ...values], row) => (
          <tr key={`${label ?? ""} ${row}`}>
            <th scope="row">{label}</th>
            {values.map((value, place) => (
              <td key={fields[place + 1] ?? place}>{value}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

import { Alert, Title } from "@mantine/core";
import type { ReactNode } from "react";
import classes from "./card.module.css";

interface CardProps {
  readonly title: string;
  readonly refusal?: string | null;
  readonly children: ReactNode;
}

/** The frame of the pages outside a studio: one thing to do, and what went wrong with it. */
export function Card({ title, refusal = null, children }: CardProps) {
  return (
    <main className={classes.page}>
      <p className={classes.mark}>mirrup</p>
      <div className={classes.card}>
        <Title order={1} size="h2">
          {title}
        </Title>
        {refusal !== null && (
          <Alert color="red" variant="outline" role="alert">
            {refusal}
          </Alert>
        )}
        {children}
      </div>
      <svg className={classes.rope} viewBox="0 0 800 60" preserveAspectRatio="none" aria-hidden>
        <path d="M0 6 Q200 58 400 30 Q600 70 800 8" />
      </svg>
    </main>
  );
}

import { COMBO_GATE } from "@mirrup/core/teaching";
import { Button, Group, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { usePaths } from "../app/paths.js";
import { groupsQuery } from "../students/index.js";
import classes from "./combo.module.css";

/** The combo tried by a whole class at once, counted with one tap for each. */
export function ClassRounds({ comboId }: { readonly comboId: string }) {
  const paths = usePaths();
  const groups = useQuery(groupsQuery);
  const places = [{ id: undefined, name: "Everybody" }, ...(groups.data ?? [])];
  return (
    <section className={classes.section} aria-label="Try it with a class">
      <div className={classes.sectionHead}>
        <Title order={2}>Try it with a class</Title>
      </div>
      <p>Everybody at once, {COMBO_GATE.of} tries; then one tap for each, or how many were clean.</p>
      <Group gap="xs" className={classes.noPrint}>
        {places.map(({ id, name }) => (
          <Button key={id ?? "all"} component={Link} variant="default" to={paths.comboRound(id, comboId)}>
            {name}
          </Button>
        ))}
      </Group>
    </section>
  );
}

import { Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useMembership } from "../account/index.js";
import { FirstStepsLink } from "../start/index.js";
import { Account } from "./account.js";
import { Audit, Mail } from "./ledgers.js";
import { Name } from "./name.js";
import { Archive } from "./archive.js";
import { OwnSkills } from "./own-skills.js";
import { People } from "./people.js";
import { Records } from "./records.js";
import { Studios } from "./studios.js";
import { Teaching } from "./teaching.js";
import classes from "./studio-page.module.css";

/** Who belongs here, what left by mail, who did what; and one's own account. */
export function StudioPage() {
  useDocumentTitle("Studio · Mirrup");
  const membership = useMembership();
  if (membership === null) return null;
  return (
    <div className={classes.page}>
      <header>
        <Title order={1}>{membership.studioName}</Title>
        <Text className={classes.quiet}>You are its {membership.role}.</Text>
      </header>
      <FirstStepsLink />
      {membership.role === "owner" && <Name />}
      <Teaching isOwner={membership.role === "owner"} />
      <OwnSkills />
      {membership.role === "owner" && (
        <>
          <People />
          <Records />
          <Archive />
          <Mail />
          <Audit />
        </>
      )}
      <Account />
      <Studios membership={membership} />
    </div>
  );
}

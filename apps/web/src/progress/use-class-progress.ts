import { localDate } from "@mirrup/core";
import { useQuery } from "@tanstack/react-query";
import { useParams, useSearchParams } from "react-router";
import { currentParams } from "../app/current-params.js";
import { useNow } from "../app/use-now.js";
import { groupsQuery, studioQuery } from "../students/index.js";
import { periodAsked } from "./period.js";
import { classProgressQuery } from "./queries.js";

const MINUTE_MS = 60_000;

/** What a page of a class's progress is of: the group and the weeks that its address names, and what was read of them. */
export function useClassProgress(usualWeeks = "") {
  const { groupId: named = "all" } = useParams();
  const groupId = named === "all" ? undefined : named;
  const [params, setParams] = useSearchParams();
  const studio = useQuery(studioQuery);
  const groups = useQuery(groupsQuery);
  const today = localDate(useNow(MINUTE_MS), studio.data?.timeZone ?? "UTC");
  const asked = new URLSearchParams(params);
  if (!asked.has("weeks") && usualWeeks !== "") asked.set("weeks", usualWeeks);
  const { weeks, ...period } = periodAsked(asked, today);
  const view = useQuery({ ...classProgressQuery(groupId, period), enabled: studio.data !== undefined });
  return {
    ...{ groupId, studio, groups, view, weeks, period },
    groupName: groups.data?.find(({ id }) => id === groupId)?.name,
    askWeeks: (value: string) => {
      const changed = currentParams();
      changed.set("weeks", value);
      setParams(changed, { replace: true });
    },
  };
}

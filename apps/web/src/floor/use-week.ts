import type { SetRequest } from "@mirrup/contract";
import type { WeekLoad } from "@mirrup/core/teaching";
import { useLocalStorage } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { ownDay } from "../app/own-day.js";
import { loadQuery } from "../students/index.js";

interface Shown {
  readonly day: string;
  readonly setId: string;
}

/** The week's landings after a set; null once their caution was shown in this lesson, and while they are not known. */
export function useWeekOnce(
  set: SetRequest,
  isKnown: boolean,
): Pick<WeekLoad, "landings" | "allowance"> | null {
  const [shown, setShown] = useLocalStorage<Shown | null>({
    key: `mirrup-load-shown ${set.studentId}`,
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  const { data } = useQuery({ ...loadQuery(set.studentId), enabled: isKnown });
  const day = ownDay(set.at);
  const isPassed = data?.allowance !== undefined && data.allowance !== null && data.landings > data.allowance;
  const wasShown = shown?.day === day && shown.setId !== set.id;
  useEffect(() => {
    if (isPassed && !wasShown && shown?.setId !== set.id) setShown({ day, setId: set.id });
  }, [set, isPassed, wasShown, shown, day, setShown]);
  return wasShown ? null : (data ?? null);
}

import { SegmentedControl } from "@mantine/core";
import { PERIOD_WEEKS, PERIODS } from "./period.js";

interface PeriodControlProps {
  readonly weeks: number;
  readonly onChange: (weeks: string) => void;
}

/** How long a time is looked at. */
export function PeriodControl({ weeks, onChange }: PeriodControlProps) {
  return (
    <SegmentedControl
      aria-label="How long a time"
      value={String(weeks)}
      data={PERIOD_WEEKS.map((one) => ({ value: String(one), label: PERIODS[one] }))}
      onChange={onChange}
    />
  );
}

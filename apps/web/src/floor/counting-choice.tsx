import { NativeSelect } from "@mantine/core";
import { memo } from "react";
import { COUNTING_NAMES, COUNTINGS, type Counting } from "./counting.js";
import choice from "./drill-choice.module.css";

interface CountingChoiceProps {
  readonly counting: Counting;
  readonly disabled: boolean;
  readonly onChoose: (counting: Counting) => void;
}

/** How a set is counted. A tap changes nothing of it, and draws it not anew. */
export const CountingChoice = memo(function CountingChoice({
  counting,
  disabled,
  onChoose,
}: CountingChoiceProps) {
  return (
    <NativeSelect
      aria-label="How it is counted"
      size="md"
      value={counting}
      disabled={disabled}
      data={COUNTINGS.map((value) => ({ value, label: COUNTING_NAMES[value] }))}
      onChange={(event) => {
        onChoose(COUNTINGS.find((one) => one === event.currentTarget.value) ?? "tap");
        event.currentTarget.blur();
      }}
      classNames={{ input: choice.ruleInput }}
    />
  );
});

import { FAULTS } from "@mirrup/catalogue";
import type { FaultCode } from "@mirrup/core";
import { NativeSelect } from "@mantine/core";
import { capital } from "../app/words.js";
import choice from "./drill-choice.module.css";
import classes from "./fault-strip.module.css";
import { faultsOf, otherFaults } from "./faults-of.js";

interface FaultStripProps {
  readonly subject: string;
  readonly onName: (fault: FaultCode) => void;
}

/** After a miss: why? One more tap, which may be left out; the usual ones first, and any other from a list. */
export function FaultStrip({ subject, onName }: FaultStripProps) {
  const others = otherFaults(subject);
  return (
    <div className={classes.strip} role="group" aria-label="Why did it miss?">
      <span className={classes.why}>Why?</span>
      {faultsOf(subject).map((fault, place) => (
        <button key={fault} type="button" className={classes.fault} onClick={() => onName(fault)}>
          <kbd>{place + 1}</kbd> {FAULTS[fault].name}
        </button>
      ))}
      <NativeSelect
        aria-label="Another reason"
        size="md"
        value=""
        data={[
          { value: "", label: "another …" },
          ...others.map((value) => ({ value, label: capital(FAULTS[value].name) })),
        ]}
        onChange={(event) => {
          const named = others.find((one) => one === event.currentTarget.value);
          event.currentTarget.blur();
          if (named !== undefined) onName(named);
        }}
        classNames={{ root: classes.another, input: choice.ruleInput }}
      />
    </div>
  );
}

import { Skeleton } from "@mantine/core";

/** What stands in place of the students until they are read. */
export function ReadingStudents() {
  return (
    <div role="status" aria-label="Reading the students">
      {Array.from({ length: 8 }, (_, row) => (
        <Skeleton key={row} height={56} mb={4} />
      ))}
    </div>
  );
}

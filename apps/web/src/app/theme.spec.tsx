import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { Button, FileButton, FileInput, MantineProvider } from "@mantine/core";
import { cleanup, render, screen } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { theme } from "./theme.js";

afterEach(cleanup);

const chosen = jest.fn();
const CHOICES = {
  "a button": <FileButton onChange={chosen}>{(props) => <Button {...props}>From a file</Button>}</FileButton>,
  "a field": <FileInput label="File" onChange={chosen} />,
};

describe("a file that is chosen", () => {
  it.each(Object.entries(CHOICES))(
    "by %s is read again where it was mended, under the same name",
    async (_, choice) => {
      chosen.mockClear();
      render(
        <MantineProvider theme={theme} env="test">
          {choice}
        </MantineProvider>,
      );
      expect(screen.getByRole("button")).toBeDefined();
      const input = document.querySelector<HTMLInputElement>('input[type="file"]');
      if (input === null) throw new Error("There is nothing to choose a file with.");
      const user = userEvent.setup();
      const file = new File(["name"], "students.csv", { type: "text/csv" });
      await user.upload(input, file);
      await user.upload(input, file);
      expect(chosen).toHaveBeenCalledTimes(2);
      expect(chosen).toHaveBeenLastCalledWith(file);
    },
  );
});

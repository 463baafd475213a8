import { lazy } from "react";

/** What checks a form is on its way only once the form is. */
export const LazyGroupForm = lazy(async () => ({ default: (await import("./group-form.js")).GroupForm }));

import { v7 as uuid } from "uuid";

/** This page, as it names itself to the server: it tells its own changes from those of others by it. */
export const PAGE_ID = uuid();

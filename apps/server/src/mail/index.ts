export { letterAddress, PUBLIC_ADDRESS } from "./address.js";
export { MailModule } from "./mail.module.js";
export { Mailer } from "./mailer.js";
export type { Smtp } from "./smtp.js";

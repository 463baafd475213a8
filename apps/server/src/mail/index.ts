export { MailModule } from "./mail.module.js";
export { Mailer } from "./mailer.js";

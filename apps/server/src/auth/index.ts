export { AuthModule } from "./auth.module.js";
export { Passwords } from "./passwords.js";

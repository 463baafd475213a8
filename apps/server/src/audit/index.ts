export { AuditModule } from "./audit.module.js";
export { fieldWords } from "./field-words.js";
export { AuditService } from "./audit.service.js";

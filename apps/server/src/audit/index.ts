export { AuditModule } from "./audit.module.js";
export { AuditService } from "./audit.service.js";

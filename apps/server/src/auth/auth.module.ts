import { Module } from "@nestjs/common";
import { APP_GUARD } from "@nestjs/core";
import { AuditModule } from "../audit/index.js";
import { MailModule } from "../mail/index.js";
import { AccessGuard } from "../access/access.guard.js";
import { AuthController } from "./auth.controller.js";
import { AuthService } from "./auth.service.js";
import { Passwords } from "./passwords.js";
import { Tries } from "./tries.js";

@Module({
  imports: [MailModule, AuditModule],
  controllers: [AuthController],
  providers: [AuthService, Passwords, Tries, { provide: APP_GUARD, useClass: AccessGuard }],
})
export class AuthModule {}

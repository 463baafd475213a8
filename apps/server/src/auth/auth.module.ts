import { Module } from "@nestjs/common";
import { AccountController } from "./account.controller.js";
import { AccountService } from "./account.service.js";
import { AuthController } from "./auth.controller.js";
import { AuthService } from "./auth.service.js";
import { Passwords } from "./passwords.js";
import { Tries } from "./tries.js";

@Module({
  controllers: [AuthController, AccountController],
  providers: [AuthService, AccountService, Passwords, Tries],
})
export class AuthModule {}

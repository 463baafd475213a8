import { Module } from "@nestjs/common";
import { APP_GUARD, APP_INTERCEPTOR, DiscoveryModule } from "@nestjs/core";
import { AccessGuard } from "./access.guard.js";
import { Door } from "./door.js";
import { Paces } from "./pace.js";

/** What every request goes through, whatever it is for. */
@Module({
  imports: [DiscoveryModule],
  providers: [
    Paces,
    { provide: APP_GUARD, useClass: AccessGuard },
    { provide: APP_INTERCEPTOR, useClass: Door },
  ],
})
export class DoorModule {}

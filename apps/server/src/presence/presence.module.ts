import { Module } from "@nestjs/common";
import { PresenceController } from "./presence.controller.js";
import { PresenceService } from "./presence.service.js";

@Module({ controllers: [PresenceController], providers: [PresenceService] })
export class PresenceModule {}

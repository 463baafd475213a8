import { Module } from "@nestjs/common";
import { ChangesController } from "./changes.controller.js";
import { ChangeFeed } from "./feed.js";

@Module({ controllers: [ChangesController], providers: [ChangeFeed], exports: [ChangeFeed] })
export class ChangesModule {}

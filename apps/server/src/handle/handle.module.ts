import { Module } from "@nestjs/common";
import { HandleController } from "./handle.controller.js";

/** A rope handle that ships with Mirrup, in place of one with a sensor in it. */
@Module({ controllers: [HandleController] })
export class HandleModule {}

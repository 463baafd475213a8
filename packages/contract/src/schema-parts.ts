/** What the schemas of the contract are made of. */
import { SIDES, type Gate } from "@mirrup/core";
import Joi from "joi";

export const uuid = () => Joi.string().guid().lowercase();
export const whole = () => Joi.number().integer().min(0).max(100_000);
export const instant = () => Joi.string().isoDate();
export const side = () => Joi.string().valid(...SIDES);
export const subject = () => Joi.string().min(1).max(120);
export const chance = () => Joi.number().min(0).max(1);
export const items = (item: Joi.Schema) =>
  Joi.object({ items: Joi.array().items(item).required() }).required();
/** An object schema that names every key of its type, so that a new key is not forgotten here. */
export const objects = <T extends object>(keys: { readonly [K in keyof Required<T>]: Joi.Schema }) =>
  Joi.object<T>(keys);

const atLeastOne = () => whole().min(1).required();

export const gate = Joi.alternatives<Gate>()
  .try(
    Joi.object({ kind: Joi.valid("streak").required(), count: atLeastOne() }),
    Joi.object({ kind: Joi.valid("hold").required(), seconds: atLeastOne() }),
    Joi.object({
      kind: Joi.valid("clean").required(),
      clean: atLeastOne().max(Joi.ref("of")),
      of: atLeastOne(),
    }),
    Joi.object({ kind: Joi.valid("count").required(), count: atLeastOne(), seconds: atLeastOne() }),
  )
  .required();

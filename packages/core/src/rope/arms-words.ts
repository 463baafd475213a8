/** Plain words for arms, as a jumper says them: used by the rules' sentences and by a score's reading. */
import { sideOfArms, type Arms, type Hand, type WrittenArms } from "./arms.js";

export function handWord(hand: Hand): "left" | "right" {
  return hand === "l" ? "left" : "right";
}

/** `a side swing to the right`, `a cross with the left arm on top`. */
export function armsPhrase(arms: Arms): string {
  const hand = sideOfArms(arms);
  const side = hand === null ? "" : handWord(hand);
  switch (arms) {
    case "o":
      return "an open turn";
    case "xl":
    case "xr":
      return `a cross with the ${side} arm on top`;
    case "sl":
    case "sr":
      return `a side swing to the ${side}`;
    case "bl":
    case "br":
      return `a front-back cross with the ${side} arm behind the back`;
    case "el":
    case "er":
      return `a back-arm side swing with the ${side} arm behind`;
    case "ul":
    case "ur":
      return `a leg-over cross with the ${side} leg lifted`;
    case "k":
      return "a cross behind the knees";
    case "wl":
    case "wr":
      return `a wrap on the ${side} arm`;
    case "hl":
    case "hr":
      return `a turn with the ${side} handle let go`;
  }
}

/** Short, for a call-out or a caption: `side swing right`, `cross, right arm on top`. */
export function armsWords(arms: WrittenArms): string {
  const hand = sideOfArms(arms);
  const side = hand === null ? "" : handWord(hand);
  switch (arms) {
    case "o":
      return "open";
    case "x":
      return "cross";
    case "xl":
    case "xr":
      return `cross with the ${side} arm on top`;
    case "sl":
    case "sr":
      return `side swing ${side}`;
    case "bl":
    case "br":
      return `front-back cross, ${side} arm behind`;
    case "el":
    case "er":
      return `back-arm side swing, ${side} arm behind`;
    case "ul":
    case "ur":
      return `leg-over cross, ${side} leg lifted`;
    case "k":
      return "cross behind the knees";
    case "wl":
    case "wr":
      return `wrap on the ${side} arm`;
    case "hl":
    case "hr":
      return `${side} handle let go`;
  }
}

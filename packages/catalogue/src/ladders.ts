/**
 * The ladders of drills (drills.md, 2 Ladders), in the notation of the core's ladder lines: a class's, and
 * of every skill whose drills are more than its class's. Written for the right side; the core makes the
 * scores, the left side, the gate and what follows it.
 */
import type { LadderTexts, SkillClass } from "@mirrup/core";

const STEPS =
  "watch, shadow (the step that carries it), shadow, tempo-shadow ‖ apart `o b` °, one-out `C*2 S o`, one-out `S*4 o`, streak 8, streak 16, faster, hold";
const SWINGS =
  "watch, shadow ‖ free-swing `Q*8` °, one-stop `Z`, one-out `S o`, spaced `o*n S` 4-1, climb 5, streak, side-to-side `S M`";
const MULTIPLES =
  "part-counts needs, side-rope 40, air-change if arms change ‖ whole `S o`, from-rest `S o!`, one-out `D S o`, spaced `D*n S` 3-1, streak";

const CLASSES: Readonly<Record<SkillClass, string>> = {
  ground: "watch, shadow, apart (one turn, then stop), streak 8, streak 16, hold",
  base: STEPS,
  footwork: STEPS,
  taps: STEPS,
  speed: `${STEPS}, count`,
  power: "watch, shadow ‖ one-out `o*4 S o`, rounds `o*4 S`, rounds `o*4 S*4`, hold",
  swing: SWINGS,
  turn: SWINGS,
  release: SWINGS,
  cross:
    "watch, shadow (the wrists), shadow, toe-catch `o!` @basic-bounce ‖ toe-catch `P!`, stop-in `P`, one-stop `Z`, one-out `S o`, rounds `o*2 P*2`, growing-climb `o*5 P*5` 5, climb 10, streak, new-step",
  fusion:
    "part-counts needs, watch, shadow ‖ toe-catch `K!`, stop-in `K`, one-stop `Z`, one-out `S o`, spaced `o*n S` 4-1, climb 5, streak, side-to-side `S M`",
  double: "part-counts needs, side-rope 40 ‖ one-out `S o`, spaced `o*n S` 4-1, climb 10, streak",
  "fused-double":
    "watch, part-counts needs, air-change, from-rest `D o!` @double-under ‖ toe-catch `T`, stop-in `S` if closed, from-rest `S o!`, one-out `S o`, spaced `o*n S` 3-0, rounds `D*2 S`, climb 5, streak",
  triple: MULTIPLES,
  quad: MULTIPLES,
};

const SKILLS: Readonly<Record<string, string>> = {
  // Steps and power
  "basic-bounce":
    "watch, shadow, side-rope 40 @side-rope, toe-catch `o!`, one-stop `o o!`, one-out `o*4 o!` → streak",
  "single-leg-hop":
    "shadow (stand ten seconds), apart `o o/r`, one-out `o/r*4 o`, tens `o/r*10 o/l*10` → streak",
  "run-step": "shadow, apart `o/r ./r o/l ./l`, one-out `R*2 o` → streak",
  "boxer-step":
    "shadow (rock from foot to foot), shadow (with the touch), apart `o o/r+tapl o o/l+tapr`, one-out `B*2 o` → streak",
  "double-tap-out": "…, apart `o o/l+outr`, one-out `B*2` @boxer-step, one-out `B*2 o/l+outr*2 o` → streak",
  "double-tap-front": "…, apart `o o/l+toer`, one-out `B*2` @boxer-step, one-out `B*2 o/l+toer*2 o` → streak",
  "double-tap-step":
    "…, apart `o/l+outr*2 o` @double-tap-out, one-out `B*2 o/l+outr*2 o` @double-tap-out, one-out `B*2 o/l+toer*2 o` @double-tap-front, merge `B*2 o/l+outr*2 o/l+toer*2 o` → streak",
  "heel-toe-shuffle": "…, apart `[o/r+toel o/r+heell]*2 o`, apart `[o/l+toer o/l+heelr]*2 o` → streak",
  grapevine: "…, apart `o b` °, one-out `B*2 S o`, one-out `S*4 o` → streak",
  twist: "…, apart `o b` °, one-out `[o+twistl o o+twistr o]*2 S o`, one-out `S*4 o` → streak",
  "backward-bounce": "shadow, toe-catch `< o!`, one-stop `< o o!`, one-out `< o*4 o!` → streak",
  "backward-run":
    "part-counts `< o*10` @backward-bounce, apart `< o o/r o o/l`, one-out `< o*2 R*2` → streak",
  "jump-squat": "shadow (heels down), shadow (heels up) → one-out",
  "side-swing-squat":
    "shadow, free-swing `sr+squat`, one-out `sr+squat o o`, rounds `o*4 [sr o]*4 sr+squat o`, rounds `o*4 [sr o]*4 [sr+squat o]*4`",
  "side-swing-lunge":
    "shadow, free-swing `sr+lunger`, one-out `sr+lunger o o`, rounds `o*4 [sr o]*4 sr+lunger o`, rounds `o*4 [sr o]*4 [sr+lunger o]*4`",
  "floor-press": "shadow, toe-catch `o!` @basic-bounce, stop-in `o! .+plank`, one-out `o! .+plank o o`",
  // Swings, turns, releases
  "side-swing-hop": "part-counts `[sr o]*5` @side-swing, apart `o sr/r o` → one-out",
  "back-arm-swing":
    "shadow, toe-catch `br!` @front-back-cross, free-swing `[er el]*5` @back-arm-alternating → one-out",
  "back-arm-alternating": "side-to-side `er o el o` @back-arm-swing, free-swing `[er el]*5`, streak, hold",
  "half-turn":
    "part-counts `< o*10` @backward-bounce, shadow, one-out `o sr o` @side-swing, one-stop `o sr+turnr o!` → one-out",
  "full-turn": "shadow, one-out `o sr+turnr o` @half-turn, one-stop `o sr+turnr o+turnr o!` → one-out",
  "arm-wrap": "shadow, free-swing `sr wr sr`, free-swing `sr wr*2 sr`, one-stop `sr wr*2 sr o!` → one-out",
  "handle-release":
    "shadow, shadow (the rope lies ahead, one handle held: pull and catch), one-stop `o hr o!` → one-out",
  // Crosses
  cross:
    "…, toe-catch `xr!`, stop-in `xr`, one-stop `xr o!`, one-out `xr o o`, streak 6, shadow (the wrists, not pausing), rounds `o*2 xr*2`, growing-climb `o*5 xr*5` 5, climb 10, streak, new-step `xr/r+tapl o/l+tapr`, new-step `xr/r o/l`",
  "cross-boxer":
    "one-out `B*2` @boxer-step, one-out `B*2 xr/r+tapl o/l+tapr`, spaced `B*n xr/r+tapl o/l+tapr` 4-1 → climb",
  "cross-run": "one-out `R*2` @run-step, one-out `R*2 xr/r o/l`, spaced `R*n xr/r o/l` 4-1 → climb",
  "switch-cross":
    "side-to-side `xr o xl o` @cross, stop-in `xr xl`, one-stop `xr xl o!`, rounds `o*2 xr xl` → climb",
  "backward-cross":
    "part-counts `< o*10` @backward-bounce, shadow, toe-catch `< o!` @backward-bounce, toe-catch `< xr!`, stop-in `< xr`, one-stop `< xr o!` → one-out",
  "side-swing-cross":
    "…, toe-catch `K!`, stop-in `K`, one-stop `Z`, one-out `S o`, new-step `sr/r xr/r o` → spaced",
  "side-swing-cross-chain":
    "side-to-side `sr xr o sl xl o` @side-swing-cross, toe-catch `sr xr sl xl!`, one-stop `sr xr sl xl o!` → one-out",
  "leg-over-cross":
    "watch, shadow (the easier leg), toe-catch `o!` @basic-bounce, toe-catch `ur!`, stop-in `ur`, one-stop `ur o!`, one-out `ur o o`, spaced `o*n ur o` 4-1, climb 5, streak, side-to-side `ur o ul o`",
  "leg-over-alternating":
    "side-to-side `ur o*2 ul o*2` @leg-over-cross, one-stop `ur o ul o!`, one-out `ur o ul o o` → climb",
  "front-back-cross":
    "shadow, toe-catch `br!`, free-swing `[er el]*5` @back-arm-alternating, stop-in `br`, one-stop `br o!`, one-out `br o o`, one-out `br er o` @front-back-swing-out, spaced `o*n br o` 4-1, streak, side-to-side `br o bl o`",
  "front-back-alternating": "side-to-side `br o*2 bl o*2` @front-back-cross → one-out",
  "side-cross-back":
    "part-counts `[sr xr o]*5` @side-swing-cross, one-out `bl o o` @front-back-cross, toe-catch `sr xr bl!`, stop-in `sr xr bl`, one-stop `sr xr bl o!` → one-out",
  "knee-cross":
    "part-counts `[xr o]*5` @cross, part-counts `< o*10` @backward-bounce, shadow, toe-catch `xr!` @cross, toe-catch `xr k!`, stop-in `xr k`, one-stop `xr k o!` → one-out",
  // Doubles
  "double-under": "side-rope 40, high-part `o` @basic-bounce, one-out `D o`, from-rest `D o!` → spaced",
  "alternating-double": "…, one-out `R D/r o/l`, one-out `R D/r D/l o`, spaced `R*n D/r D/l` 4-1 → climb",
  "one-leg-double":
    "tens `o/r*10 o/l*10` @single-leg-hop, part-counts `D*10` @double-under, high-part `o/r` @single-leg-hop, one-out `D/r o`, one-out `o/r*4 D/r>r o`, spaced `o/r*n D/r>r` 4-1 → climb",
  "backward-double":
    "part-counts `< o*10` @backward-bounce, part-counts `D*10` @double-under, high-part `< o` @backward-bounce → one-out",
  "side-swing-double": "…, high-part `sr o` @side-swing, from-rest `(sr o) o!` → one-out",
  "open-cross-double":
    "…, toe-catch `(o xr!)`, stop-in `(o xr)`, from-rest `(o xr) o!`, one-out `S o`, spaced `o*n S` 3-0, rounds `D*2 (o xr)` → climb",
  "cross-open-double":
    "…, high-part `xr o` (thrown hard) @cross, toe-catch `(xr o!)`, from-rest `(xr o) o!` → one-out",
  "held-cross-double":
    "…, rounds `o*2 xr*2` @held-cross, toe-catch `(xr xr!)`, stop-in `(xr xr)`, from-rest `(xr xr) o!` → one-out",
  "backward-cross-double":
    "part-counts `< D*5` @backward-double, part-counts `< [xr o]*5` @backward-cross, air-change, stop-in `< (o xr)` → one-out",
  "side-cross-double":
    "part-counts `[sr xr o]*5` @side-swing-cross, one-out `(sr o) o` @side-swing-double, air-change, toe-catch `(sr xr!)`, stop-in `(sr xr)` → from-rest",
  "front-back-double":
    "…, high-part `br o` @front-back-cross, toe-catch `(br o!)`, from-rest `(br o) o!` → one-out",
  "leg-over-exit":
    "part-counts `[ur o]*5` @leg-over-cross, part-counts `D*5` @double-under, one-out `ur o D o` @leg-over-cross, one-stop `ur D o!` → one-out",
  "leg-over-double":
    "part-counts `[ur D]*5` @leg-over-exit, high-part `ur o` @leg-over-cross, air-change, toe-catch `(ur o!)`, from-rest `(ur o) o!`, one-out `D (ur o) o`, spaced `D*n (ur o)` 2-1 → climb",
  // Triples, quads
  "triple-under": "…, high-part `D` @double-under, one-out `D*3 S o`, from-rest `S o!` → spaced",
  "side-side-open":
    "part-counts `[sr sl o]*5` @double-side-swing, one-out `(sr o) o` @side-swing-double, air-change, merge `sr (sl o) (sr sl o) o` → whole",
  "side-cross-open":
    "part-counts `(sr sl o)*10` @side-side-open, part-counts `[sr xr o]*5` @side-swing-cross, air-change, merge `sr xr o (sr xr o) o` → whole",
  "open-cross-open": "…, merge `(o xr) o (o xr o) o` → whole",
  "leg-over-triple":
    "part-counts `(sr sl o)*10` @side-side-open, part-counts `(sr xr o)*5` @side-cross-open, part-counts `[ur D]*5` @leg-over-exit, high-part `ur o` @leg-over-cross, air-change → whole",
  "backward-triple": "…, high-part `< D` @backward-double, one-out `< D*2 (o o o) o` → spaced",
  "quadruple-under":
    "…, high-part `(o o o)` @triple-under, one-out `D (o o o) S o`, whole `S o`, spaced `(o o o)*n (o o o o)` 2-1, streak",
  "side-cross-back-quad":
    "side-to-side `sr xr bl o sl xl br o` @side-cross-back, one-out `(sr xr) o` @side-cross-double, one-out `(bl o) o` @front-back-double, air-change, merge `(sr xr) (bl o) o` @side-cross-double @front-back-double, merge `(sr xr) (bl o) (sr xr bl o) o`, whole `(sr xr bl o) o`, one-out `D (sr xr bl o) o`, streak, rounds `(sr xr bl o) D (o o o) (sl xl br o)`, rounds `(sr xr bl o) (sl xl br o)`",
};

export const LADDERS: LadderTexts = { classes: CLASSES, skills: SKILLS };

/** The stage with depth, drawn by the graphics card, or by the processor where there is none. */
import type { Body } from "@mirrup/core/figure";
import { Color, DirectionalLight, HemisphereLight, PerspectiveCamera, Scene, WebGLRenderer } from "three";
import { coloursOf } from "./colours.js";
import { Doll } from "./doll.js";
import { CAMERA, type Drawn, type Stage } from "./stage.js";

interface Kept {
  readonly doll: Doll;
  readonly body: Body;
  readonly strength: number;
}

/** Throws where the browser has no WebGL. `onLost` hears when it is taken away. */
export function deepStage(canvas: HTMLCanvasElement, onLost: () => void): Stage {
  const renderer = new WebGLRenderer({ canvas, antialias: true });
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  const colours = coloursOf(canvas);
  const scene = new Scene();
  scene.background = new Color(colours.paper);
  const light = new DirectionalLight(0xffffff, 1.4);
  light.position.set(1.5, 4, 3);
  scene.add(new HemisphereLight(0xffffff, 0xc9c2b4, 2.1), light);
  const camera = new PerspectiveCamera(CAMERA.fieldDegrees, 1, 0.1, 40);
  let kept: readonly Kept[] = [];

  const lost = (event: Event) => {
    event.preventDefault();
    onLost();
  };
  canvas.addEventListener("webglcontextlost", lost);

  /** A doll for every figure: the same ones for as long as they are the same people. */
  const dollsFor = (figures: readonly Drawn[]): readonly Kept[] =>
    figures.map(({ body, strength }, place) => {
      const before = kept[place];
      if (before?.body === body && before.strength === strength) return before;
      const doll = new Doll(body, colours, strength);
      scene.add(doll.group);
      return { doll, body, strength };
    });

  const drop = ({ doll }: Kept) => {
    scene.remove(doll.group);
    doll.dispose();
  };

  return {
    kind: "deep",
    draw: (figures, view) => {
      const next = dollsFor(figures);
      for (const before of kept) if (!next.includes(before)) drop(before);
      kept = next;
      next.forEach(({ doll }, place) => {
        const figure = figures[place];
        if (figure === undefined) return;
        // Beside each other from wherever one looks.
        const { aside } = figure;
        doll.group.position.set(aside * Math.cos(view.around), 0, -aside * Math.sin(view.around));
        doll.show(figure.pose);
      });
      const tallest = Math.max(1, ...figures.map(({ body }) => body.scale));
      const widest = Math.max(0, ...figures.map((figure) => Math.abs(figure.aside)));
      // Two beside each other need room to the sides.
      const wide = Math.max(1, (2 * widest + 3.1) / (2.6 * camera.aspect));
      const high = view.above > 0.6 ? 1.2 : 1;
      const distance = CAMERA.distance * tallest * Math.max(wide, high);
      const eyes = CAMERA.eyes * tallest;
      camera.position.set(
        distance * Math.sin(view.around) * Math.cos(view.above),
        eyes + distance * Math.sin(view.above),
        distance * Math.cos(view.around) * Math.cos(view.above),
      );
      camera.lookAt(0, eyes, 0);
      renderer.render(scene, camera);
    },
    resize: (width, height) => {
      if (width === 0 || height === 0) return;
      camera.aspect = width / height;
      camera.updateProjectionMatrix();
      renderer.setSize(width, height, false);
    },
    dispose: () => {
      canvas.removeEventListener("webglcontextlost", lost);
      for (const one of kept) drop(one);
      renderer.dispose();
      // A browser has room for few of them.
      renderer.forceContextLoss();
    },
  };
}

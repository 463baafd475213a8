/** A figure's shapes in the scene: a capsule for every bone, placed by the pose. */
import type { Body, BodyPose, Point } from "@mirrup/core/figure";
import {
  CapsuleGeometry,
  CircleGeometry,
  Color,
  CylinderGeometry,
  Group,
  InstancedMesh,
  Matrix4,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  Object3D,
  Quaternion,
  SphereGeometry,
  Vector3,
  type Material,
} from "three";
import type { Colours } from "./colours.js";

const UP = new Vector3(0, 1, 0);
const HANDS = ["l", "r"] as const;
const CORD_WIDTH = 0.011;

/** Of a jumper of 1.70 m, metres. */
const THICK = {
  upperArm: 0.04,
  forearm: 0.032,
  thigh: 0.066,
  shank: 0.047,
  shoe: 0.04,
  hand: 0.042,
  handle: 0.018,
  neck: 0.045,
} as const;

function vector({ x, y, z }: Point): Vector3 {
  return new Vector3(x, y, z);
}

/** Lays a shape that stands along y, `length` metres of it between its ends, from one point to another. */
function lay(shape: Object3D, from: Point, to: Point, length: number): void {
  const [a, b] = [vector(from), vector(to)];
  const along = b.clone().sub(a);
  const far = along.length();
  shape.position.copy(a.add(b).multiplyScalar(0.5));
  if (far > 1e-6) shape.quaternion.setFromUnitVectors(UP, along.divideScalar(far));
  shape.scale.y = length > 0 ? far / length : 1;
}

type Bone = keyof typeof THICK;

export class Doll {
  readonly group = new Group();
  private readonly materials: Material[] = [];
  private readonly bones = new Map<string, { readonly mesh: Mesh; readonly length: number }>();
  private readonly trunk: Mesh;
  private readonly hips: Mesh;
  private readonly head: Mesh;
  private readonly nose: Mesh;
  private readonly cord: InstancedMesh;
  private readonly shade: Mesh;

  constructor(
    private readonly body: Body,
    private readonly colours: Colours,
    private readonly strength: number,
  ) {
    const { scale } = body;
    const lengths: Readonly<Record<Bone, number>> = {
      ...{ upperArm: body.upperArm, forearm: body.forearm, thigh: body.thigh, shank: body.shank },
      ...{ shoe: body.foot, hand: 0, handle: body.handle, neck: body.neck },
    };
    for (const hand of HANDS) {
      const limbs = this.material(hand === "l" ? colours.left : colours.right);
      const dark = this.material(colours.handle);
      for (const bone of ["upperArm", "forearm", "thigh", "shank", "hand"] as const)
        this.bone(`${bone}-${hand}`, bone, lengths[bone], limbs);
      for (const bone of ["shoe", "handle"] as const) this.bone(`${bone}-${hand}`, bone, lengths[bone], dark);
    }
    const cloth = this.material(colours.trunk);
    const skin = this.material(colours.head);
    this.bone("neck", "neck", lengths.neck, skin);
    const long = body.trunk * 0.98;
    this.trunk = this.add(
      new Mesh(new CylinderGeometry(body.shoulderHalf * 1.02, body.hipHalf * 1.45, long, 20), cloth),
    );
    this.hips = this.add(new Mesh(new SphereGeometry(body.hipHalf * 1.45, 20, 14), cloth));
    this.head = this.add(new Mesh(new SphereGeometry(body.headRadius, 20, 16), skin));
    this.nose = this.add(new Mesh(new SphereGeometry(0.2 * body.headRadius, 10, 8), cloth));
    const thread = new CylinderGeometry(CORD_WIDTH * scale, CORD_WIDTH * scale, 1, 6);
    this.cord = new InstancedMesh(thread, this.material(colours.cord), 64);
    // It is where its pieces are, not where the first was made.
    this.cord.frustumCulled = false;
    this.group.add(this.cord);
    if (strength === 1) {
      const ground = new MeshBasicMaterial({ color: new Color(colours.ground) });
      this.materials.push(ground);
      const floor = this.add(new Mesh(new CircleGeometry(0.85 * scale, 48), ground));
      floor.rotation.x = -Math.PI / 2;
      floor.position.y = -0.004;
    }
    const shade = new MeshBasicMaterial({ color: 0, transparent: true, opacity: 0.13 * strength });
    this.materials.push(shade);
    this.shade = this.add(new Mesh(new CircleGeometry(0.26 * scale, 24), shade));
    this.shade.rotation.x = -Math.PI / 2;
  }

  private material(colour: string): MeshLambertMaterial {
    const material = new MeshLambertMaterial({
      color: new Color(colour),
      transparent: this.strength < 1,
      opacity: this.strength,
    });
    this.materials.push(material);
    return material;
  }

  private add(mesh: Mesh): Mesh {
    this.group.add(mesh);
    return mesh;
  }

  private bone(name: string, bone: Bone, length: number, material: Material): void {
    const radius = THICK[bone] * this.body.scale;
    const geometry =
      length > 0 ? new CapsuleGeometry(radius, length, 4, 10) : new SphereGeometry(radius, 12, 10);
    const mesh = this.add(new Mesh(geometry, material));
    this.bones.set(name, { mesh, length });
  }

  private lay(name: string, from: Point, to: Point): void {
    const bone = this.bones.get(name);
    if (bone !== undefined) lay(bone.mesh, from, to, bone.length);
  }

  /** Stands as the pose says. */
  show(pose: BodyPose): void {
    const { arms, legs, pelvis, chest, head, yaw } = pose;
    for (const hand of HANDS) {
      const { shoulder, elbow, hand: fist, handle } = arms[hand];
      const { hip, knee, ankle, heel, toe } = legs[hand];
      const lift = THICK.shoe * this.body.scale;
      const sole = ({ x, y, z }: Point): Point => ({ x, y: y + lift, z });
      this.lay(`upperArm-${hand}`, shoulder, elbow);
      this.lay(`forearm-${hand}`, elbow, fist);
      this.lay(`hand-${hand}`, fist, fist);
      this.lay(`handle-${hand}`, handle[0], handle[1]);
      this.lay(`thigh-${hand}`, hip, knee);
      this.lay(`shank-${hand}`, knee, ankle);
      this.lay(`shoe-${hand}`, sole(heel), sole(toe));
    }
    this.lay("neck", chest, head);
    this.standTrunk(pose);
    this.hips.position.copy(vector(pelvis));
    this.hips.scale.set(1, 0.75, 0.7);
    this.hips.rotation.y = yaw;
    this.head.position.copy(vector(head));
    const ahead = this.body.headRadius;
    this.nose.position.set(
      head.x + Math.sin(yaw) * ahead,
      head.y - 0.1 * ahead,
      head.z + Math.cos(yaw) * ahead,
    );
    this.shade.position.set(pelvis.x, 0.004, pelvis.z);
    this.layCord(pose.cord);
  }

  /** Wide from shoulder to shoulder, flat from front to back. */
  private standTrunk({ arms, pelvis, chest }: BodyPose): void {
    const up = vector(chest).sub(vector(pelvis)).normalize();
    const left = vector(arms.l.shoulder).sub(vector(arms.r.shoulder)).normalize();
    const ahead = left.clone().cross(up).normalize();
    const side = up.clone().cross(ahead).normalize();
    this.trunk.quaternion.setFromRotationMatrix(new Matrix4().makeBasis(side, up, ahead));
    this.trunk.position.copy(vector(chest).add(vector(pelvis)).multiplyScalar(0.5));
    this.trunk.scale.set(1, 1, 0.55);
  }

  private layCord(cord: readonly Point[]): void {
    const matrix = new Matrix4();
    const turn = new Quaternion();
    cord.slice(1).forEach((to, place) => {
      const from = vector(cord[place] ?? to);
      const along = vector(to).sub(from);
      const far = along.length();
      const middle = from.addScaledVector(along, 0.5);
      if (far > 1e-6) turn.setFromUnitVectors(UP, along.divideScalar(far));
      // A little longer, so that no gap shows where it bends.
      this.cord.setMatrixAt(place, matrix.compose(middle, turn, new Vector3(1, far * 1.15, 1)));
    });
    this.cord.instanceMatrix.needsUpdate = true;
  }

  dispose(): void {
    this.group.traverse((shape) => {
      if (shape instanceof Mesh) (shape as Mesh).geometry.dispose();
    });
    this.cord.dispose();
    for (const material of this.materials) material.dispose();
  }
}

/**
 * The frame that every point and angle of Velto is stated in.
 *
 * Side view in the sitter's middle plane, millimetres: `x` forward, `z` up. `z = 0` is the floor; `x = 0` is the
 * pan's rear end, under the most forward point of the back support with the back at its most upright.
 *
 * | angle          | zero             | positive        |
 * | pan            | level            | front edge up   |
 * | thigh          | underside level  | knee up         |
 * | back, trunk    | vertical         | leaning back    |
 * | shank          | vertical         | foot forward    |
 * | upper arm      | hanging          | forward         |
 * | upper arm out  | hanging          | outward         |
 *
 * Trunk–thigh angle is `90 + trunk − thigh`; knee angle (inside) is `90 − thigh + shank`. Both count from the
 * underside of the thigh; the visible line from hip to knee falls about 5° more.
 */
export interface Point {
  readonly x: number;
  readonly z: number;
}

/** Seated heights of an adult count from the pan this far in front of the buttocks, mm (seat index point, ISO 3462 family; from memory). */
export const SEATED_DATUM_FROM_REAR_MM = 140;
/** Hip centre of an adult above the pan under load, mm (seat index point above the seat reference point; from memory). */
export const HIP_ABOVE_PAN_MM = 90;
/** Knee centre of an adult above the underside of the thigh, mm (assumed from segment tables). */
export const KNEE_ABOVE_UNDERSIDE_MM = 56;
/** Knee centre of an adult in front of the knee's hollow, mm (assumed). */
export const KNEE_BEFORE_HOLLOW_MM = 45;
/** Ankle height as a fraction of stature (Drillis & Contini 1966, in Winter, Fig. 4.1). */
export const ANKLE_FRACTION = 0.039;
/** How far the foot can go forward on a seat that is too low before the knee rises, degrees. */
export const SHANK_FORWARD_MOST_DEG = 15;
/** Steeper than this no thigh is drawn or judged: the seat is far too low for anybody to sit on (assumed). */
export const THIGH_MOST_DEG = 80;
/** Breadth of the forearm near the elbow where it was not measured, mm (assumed). */
export const FOREARM_BREADTH_MM = 90;
/** Elbow to wrist as a fraction of stature (Drillis & Contini 1966, in Winter, Fig. 4.1). */
export const FOREARM_FRACTION = 0.146;
/** Hand and foot as fractions of stature (Drillis & Contini 1966, in Winter, Fig. 4.1); for drawing only. */
export const HAND_FRACTION = 0.108;
export const FOOT_FRACTION = 0.152;

/**
 * What settings cost, worked out anew from docs/model.md: nothing of the core's own geometry, conditions or curves is
 * used, only the documents of seat, place and method, and the deviations of the residuals.
 */
import type { FitInputs } from '../../src/core/fit';
import type { Target } from '../../src/core/target';
import type { Adjustment, AdjustmentKind } from '../../src/core/seat';

const RAD = Math.PI / 180;
const sin = (deg: number) => Math.sin(deg * RAD);
const cos = (deg: number) => Math.cos(deg * RAD);
const asin = (x: number) => Math.asin(Math.max(-1, Math.min(1, x))) / RAD;
const acos = (x: number) => Math.acos(Math.max(-1, Math.min(1, x))) / RAD;
const or = (x: number | undefined, otherwise: number): number =>
  x === undefined || Number.isNaN(x) ? otherwise : x;

/** The values of an adjustment's positions, as its travel says. */
export function valuesOf({ travel, unit }: Adjustment): number[] {
  if (travel.type === 'onOff') return [0, 1];
  if (travel.type === 'listed') return travel.values.map((v) => v.value);
  const [low, high] = [travel.lowest.value, travel.highest.value];
  if (travel.type === 'steps')
    return Array.from({ length: travel.count }, (_, i) => low + (i * (high - low)) / (travel.count - 1));
  const step = { mm: 1, deg: 0.5, turn: 0.125, kg: 1, step: 1, pump: 1 }[unit];
  const values: number[] = [];
  for (let i = 0; low + i * step < high - 1e-9; i++) values.push(low + i * step);
  return [...values, high];
}

type Values = Partial<Record<AdjustmentKind, number>>;

interface LegAsDescribed {
  readonly gap: number;
  readonly hang: number;
  readonly thigh: number;
  readonly support: number;
  readonly bare: number;
  readonly mayFall: number | null;
}

/** Everything that hangs on one set of settings. */
export class Evaluator {
  readonly values: Values = {};
  private readonly all: readonly Adjustment[];
  private readonly m: Readonly<Record<string, number | undefined>>;

  constructor(
    readonly inputs: FitInputs,
    private readonly positions: Partial<Record<AdjustmentKind, number>>,
    private readonly footrestMm = 0,
    private readonly backCushionMm = 0,
  ) {
    this.m = Object.fromEntries(Object.entries(inputs.body).map(([id, quantity]) => [id, quantity?.value]));
    this.all = [...inputs.seat.adjustments, ...(inputs.place?.adjustments ?? [])];
    for (const a of this.all) this.values[a.kind] = this.own(a)[positions[a.kind] ?? 0]!;
  }

  private get sinkShift(): number {
    const { sinkMm, referenceMassKg, heightsAre } = this.inputs.seat.cushion;
    const stated = sinkMm?.value ?? 0;
    const share = this.m.bodyMass === undefined ? 1 : this.m.bodyMass / referenceMassKg;
    const sink = stated * Math.max(0.5, Math.min(1.5, share));
    return (heightsAre === 'loaded' ? stated : 0) - sink;
  }

  /** Values under this body. */
  private own(a: Adjustment): number[] {
    const inFrame = a.kind === 'lumbarApex' && this.has('backHeight');
    const above = ['lumbarApex', 'backHeight', 'armHeight', 'headHeight'].includes(a.kind) && !inFrame;
    const by = a.kind === 'seatHeight' ? this.sinkShift : above ? -this.sinkShift : 0;
    return valuesOf(a).map((v) => Math.round((v + by) * 1000) / 1000);
  }

  has = (kind: AdjustmentKind): boolean => this.all.some((a) => a.kind === kind);
  private adjustment = (kind: AdjustmentKind) => this.all.find((a) => a.kind === kind);
  private range(kind: AdjustmentKind): readonly [number, number] {
    const values = this.own(this.adjustment(kind)!);
    return [values[0]!, values[values.length - 1]!];
  }
  private v = (kind: AdjustmentKind): number => this.values[kind] ?? NaN;
  private v0 = (kind: AdjustmentKind): number => this.values[kind] ?? 0;
  private b = (id: string): number => this.m[id] ?? NaN;

  /** A count as millimetres or degrees. */
  private means(kind: AdjustmentKind, value = this.v(kind)): number {
    const a = this.adjustment(kind);
    if (!a) return NaN;
    if (a.unit === 'mm' || a.unit === 'deg') return value;
    if (!a.means) return NaN;
    const [low, high] = this.range(kind);
    const share = high > low ? (value - low) / (high - low) : 0;
    return a.means.atLowest + share * (a.means.atHighest - a.means.atLowest);
  }

  // The seat.
  get trunk(): number {
    return this.v0('backAngle') + this.v0('chairAngle');
  }
  get pan(): number {
    const ratio = this.inputs.seat.back.synchroRatio;
    const own = this.v0('seatAngle') + this.v0('forwardTilt') + this.v0('chairAngle');
    const upright = this.has('backAngle') ? this.range('backAngle')[0] : 0;
    return ratio === null ? own : own + (this.v0('backAngle') - upright) / ratio;
  }
  private point(fromRear: number): number {
    const axis = this.inputs.seat.pan.axisFromRearMm ?? 200;
    return this.v('seatHeight') + (fromRear - axis) * sin(this.pan);
  }
  private get flattest(): number {
    const lows = (['lumbarDepth', 'upperLumbar', 'lowerLumbar'] as const)
      .filter((kind) => this.has(kind))
      .map((kind) => this.means(kind, this.range(kind)[0]));
    return Math.min(...lows);
  }
  private get prominence(): number {
    if (this.has('lumbarDepth')) return this.means('lumbarDepth');
    return Math.max(
      ...[this.means('upperLumbar'), this.means('lowerLumbar')].filter((x) => !Number.isNaN(x)),
    );
  }
  get push(): number {
    const push = this.backCushionMm + this.v0('backReach');
    const hollow = this.b('smallOfBackDepth');
    if (!Number.isFinite(this.prominence) || Number.isNaN(hollow)) return push;
    return push + Math.max(0, this.prominence - Math.max(this.flattest, hollow));
  }
  private get recess(): number {
    return this.inputs.seat.pan.recessMm ?? 0;
  }
  /** Hip and knee of a child in proportion to its length. */
  private get share(): number {
    const age = this.inputs.sitter.ageYears;
    return age !== null && age < 15 ? or(this.m.buttockPoplitealLength, 480) / 480 : 1;
  }
  private get datum(): number {
    return this.point(140 * this.share - this.recess + this.push);
  }
  private get datumX(): number {
    const axis = this.inputs.seat.pan.axisFromRearMm ?? 200;
    return axis + (140 * this.share - this.recess + this.push - axis) * cos(this.pan);
  }

  // The leg.
  private get onPedals(): boolean {
    return this.inputs.place?.pedals !== undefined;
  }
  private get ankle(): number {
    return 0.039 * this.b('stature');
  }
  private get lowerLeg(): number {
    const P = this.b('poplitealHeight');
    return this.onPedals ? this.ankle + (P - this.ankle) * cos(30) : P;
  }
  private get reach(): number {
    return this.b('buttockPoplitealLength') - 140 * this.share;
  }
  private get isPerched(): boolean {
    const { seat, method } = this.inputs;
    return method.perches === true && ['perching', 'handwork'].includes(seat.seatClass);
  }
  private wantedThigh(): number {
    const { aimLo, aimHi } = this.target('thigh');
    return ((aimLo ?? aimHi ?? 0) + (aimHi ?? aimLo ?? 0)) / 2;
  }
  private legKnown: LegAsDescribed | null = null;
  get leg() {
    return (this.legKnown ??= this.legOf());
  }
  private legOf(): LegAsDescribed {
    const { pan } = this;
    const raise = this.inputs.method.raisesKnee ? this.target('thigh').aimLo : undefined;
    const rest = raise === undefined ? pan : Math.max(pan, raise);
    const uK = this.b('buttockPoplitealLength') - this.recess + this.push;
    const raised = rest === pan ? 0 : this.reach * (sin(rest) - sin(pan));
    const level = pan === 0 ? this.v('seatHeight') : this.point(uK);
    const hollow = level + raised;
    const s = this.b('shoeHeel');
    const under = Math.max(this.footrestMm, this.v0('footrest'), this.inputs.place?.pedals?.heightMm ?? 0);
    const ring = this.v('footRing');
    // The feet are on the ring where it is nearer to the soles than what lies below it.
    const support = ring > under && hollow - s - this.lowerLeg > (ring + under) / 2 ? ring : under;
    let gap = hollow - (support + s + this.lowerLeg);
    let hang = gap - raised;
    let thigh: number;
    if (gap >= 0) thigh = rest === pan ? pan : Math.max(pan, asin(sin(rest) - gap / this.reach));
    else {
      const lifted = (mm: number) => Math.min(80, asin(sin(rest) + mm / this.reach));
      // As far forward as it goes the foot reaches down less.
      const forward = support + s + this.ankle + (this.lowerLeg - this.ankle) * cos(15) - hollow;
      const least = forward <= 0 ? rest : lifted(forward);
      thigh = Math.max(least, Math.min(lifted(-gap), this.wantedThigh()));
    }
    const slopes =
      this.isPerched ||
      (this.has('frontSlope') && this.own(this.adjustment('frontSlope')!).some((x) => x !== 0));
    const chord = this.isPerched ? -60 : Math.atan(sin(this.v0('frontSlope')) / 3) / RAD;
    const most = slopes ? uK * (sin(pan) - sin(pan + chord)) : 0;
    const bare = gap;
    if (slopes && hang > 0) {
      const fall = Math.min(hang, most);
      thigh = fall < most ? asin(sin(pan) - fall / uK) : pan + chord;
      gap -= fall;
      hang -= fall;
    }
    // What a dropped front takes up, the feet feel only beyond it; a raised knee lies on nothing that drops.
    return { gap, hang, thigh, support, bare, mayFall: slopes && raise === undefined ? most : null };
  }

  // The trunk, relaxed.
  private slump(free: number, leaning: number, lean: number): number {
    const { seat } = this.inputs;
    const hasBack =
      seat.seatClass !== 'perching' ||
      seat.back.topMm !== null ||
      seat.adjustments.some((a) => ['backAngle', 'backHeight', 'lumbarApex', 'lumbarDepth'].includes(a.kind));
    return !hasBack || lean <= 0 ? free : free + (leaning - free) * Math.min(1, lean / 10);
  }
  private elbowAt(lean: number, out: number): number {
    const slump = this.slump(20, 10, lean);
    const E = this.b('elbowHeightSitting') - slump;
    if (lean === 0 && out === 0) return E;
    const Sh = this.b('shoulderHeightSitting') - slump;
    return Sh * cos(lean) - (Sh - E) * cos(out);
  }
  get elbow(): number {
    return this.datum + this.elbowAt(this.trunk, 0);
  }
  private get upperArm(): number {
    return this.b('shoulderHeightSitting') - this.b('elbowHeightSitting');
  }
  private get clear(): number {
    return this.v('armWidth') + this.v0('padSlide');
  }
  get spread(): number {
    const pad = this.inputs.seat.arms?.widthMm ?? NaN;
    const forearm = or(this.m.forearmBreadth, 90);
    return asin((this.clear + pad - (this.b('elbowToElbowBreadth') - forearm)) / (2 * this.upperArm));
  }
  private get elbowOnPad(): number {
    const backAngle = this.target('backAngle');
    let lean = this.trunk;
    if (
      this.has('armHeight') &&
      this.own(this.adjustment('armHeight')!).length === 1 &&
      this.has('backAngle')
    ) {
      const [low, high] = this.range('backAngle');
      const { aimLo, aimHi } = backAngle;
      lean = Math.max(low, Math.min(high, ((aimLo ?? aimHi ?? 0) + (aimHi ?? aimLo ?? 0)) / 2));
    }
    return this.elbowAt(lean, Math.max(0, or(this.spread, 0)));
  }
  private get shoulder() {
    const up = this.b('shoulderHeightSitting') - this.slump(20, 10, this.trunk);
    return { x: this.datumX - up * sin(this.trunk), z: this.datum + up * cos(this.trunk) };
  }
  private get grip(): number {
    return or(this.m.elbowGripLength, (0.146 + 0.054) * this.b('stature'));
  }
  private get padBeforeElbow(): number {
    const { arms } = this.inputs.seat;
    const front = (arms?.frontMm ?? 140 + 0.65 * (arms?.lengthMm ?? NaN)) + this.v0('armDepth');
    const leans = (arms?.moveWithBack ?? arms?.on === 'back') && this.trunk !== 0;
    const elbow = this.elbowAt(this.trunk, 0);
    const up = Number.isNaN(elbow) ? this.v0('armHeight') : elbow;
    return front - (leans ? up * sin(this.trunk) : 0) - this.shoulder.x;
  }

  // The head.
  private get pivot(): number {
    return or(this.m.cervicaleHeightSitting, this.b('shoulderHeightSitting'));
  }
  private get restLean(): number {
    const known = this.has('backAngle') || this.has('chairAngle');
    const most = ['backAngle', 'chairAngle'] as const;
    const furthest = most.reduce((sum, k) => sum + (this.has(k) ? this.range(k)[1] : 0), 0);
    return Math.max(this.trunk, Math.min(this.inputs.method.headRestFromDeg, known ? furthest : Infinity));
  }
  private get eye(): number {
    const lean = this.trunk;
    const pivot = this.pivot - this.slump(25, 15, lean);
    const bend = lean === 0 ? 0 : pivot * (cos(lean) - 1);
    return this.datum + bend + this.b('eyeHeightSitting') - this.slump(40, 20, lean);
  }

  // Legs under a desk.
  private get thighTop(): number {
    const { thigh } = this.leg;
    // A rising thigh is highest over the knee, a falling one over the seated datum.
    const along = thigh > 0 ? this.reach : 0;
    return this.datum + along * Math.tan(thigh * RAD) + this.b('thighClearance') / cos(thigh);
  }
  private get kneeTop(): number {
    const shorter = this.b('poplitealHeight') - this.lowerLeg;
    return (
      this.leg.support + this.b('shoeHeel') + Math.max(0, this.leg.hang) + this.b('kneeHeight') - shorter
    );
  }

  private angle(a: number, b: number, far: number): number {
    const within = acos(Math.max(-1, Math.min(1, (a * a + b * b - far * far) / (2 * a * b))));
    return within + Math.max(0, far - (a + b)) + Math.min(0, far - Math.abs(a - b));
  }

  private target2!: Readonly<Record<string, Target>>;
  private target(id: string): Target {
    return this.target2[id]!;
  }

  /** @param targets as they hold for this sitter, seat, place and method */
  residuals(targets: Readonly<Record<string, Target>>): Record<string, number> {
    this.target2 = targets;
    const { place, seat, method, work } = this.inputs;
    const hollow = this.b('smallOfBackDepth');
    const zones = seat.back.lumbarZones;
    const zone = (which: 'upper' | 'lower'): number => {
      const at = this.b('smallOfBackHeight');
      if (!zones || Number.isNaN(at) || !(zones.upperMm > zones.lowerMm)) return hollow / 2;
      const share = Math.max(0, Math.min(1, (at - zones.lowerMm) / (zones.upperMm - zones.lowerMm)));
      return (hollow / 2) * Math.min(1, 2 * (which === 'upper' ? share : 1 - share));
    };
    const apex = this.has('lumbarApex') ? this.v('lumbarApex') + this.v0('backHeight') : this.v('backHeight');
    const hips = this.b('hipBreadthSitting');
    const pad = seat.arms?.widthMm ?? NaN;
    const nape = (): number => {
      const rest = this.restLean;
      const slump = this.slump(25, 15, rest);
      return this.pivot - slump + (this.b('napeHeight') - this.pivot) * cos(rest);
    };
    const desk = this.v('deskHeight');
    const keys = place?.keyboardThicknessMm ?? 0;
    const over = Math.max(place?.deskThicknessMm ?? 0, place?.drawerMm ?? 0);
    const before = Math.max(place?.deskThicknessMm ?? 0, place?.apronMm ?? 0);
    const fore = or(this.means('foreAft'), 0);
    const hands = place?.handControls?.heightMm ?? desk + keys;
    const follows = Math.max(0, this.trunk - 10) / 2;
    const sight = or(this.means('backProfile'), 0) - follows;
    const offersSuspension =
      seat.offers.includes('suspension') || this.has('suspensionWeight') || this.has('damper');
    const overHead = (offersSuspension ? (seat.rideMm ?? 50) : 0) + (work.helmet ? 40 : 0);
    const fromElbow = this.elbowOnPad;
    const armBand = this.target('armHeight');
    const slope = (hands - this.elbow) / (0.146 * this.b('stature'));
    const carriesForearm = method.armsTo === 'forearm';
    const followed = carriesForearm ? fromElbow + 125 * Math.max(-1, Math.min(1, slope)) : desk - this.datum;
    const level = Math.max(
      fromElbow + (armBand.bandLo ?? -Infinity),
      Math.min(fromElbow + (armBand.bandHi ?? Infinity), followed),
    );
    const headPad = this.means('headDepth') + 60 * sin(this.v0('headAngle'));
    const headOut = this.b('napeHeight') - this.pivot;
    const lever = place?.handControls
      ? Math.hypot(
          place.handControls.forwardMm - (this.shoulder.x + fore),
          place.handControls.heightMm - this.shoulder.z,
        )
      : NaN;
    const pedals = place?.pedals;
    const hipX = this.datumX - 90 * this.share * sin(this.pan) + fore + or(this.means('stationForeAft'), 0);
    const toHeel = pedals
      ? Math.hypot(
          pedals.forwardMm - hipX,
          pedals.heightMm + this.b('shoeHeel') + this.ankle - (this.datum + 90 * this.share * cos(this.pan)),
        )
      : NaN;
    const before20 = this.grip - (place?.keysFromEdgeMm ?? NaN) - 20 - this.padBeforeElbow;
    const under10 = desk - (place?.deskThicknessMm ?? NaN) - (this.datum + this.v('armHeight')) - 10;
    const fingertip = or(this.m.forearmHandLength, 0.254 * this.b('stature'));
    const turn = asin(Math.min(1, Math.max(0, (this.clear + pad) / 2 - 60) / fingertip));
    return {
      footGap: this.leg.gap,
      thigh: this.leg.thigh,
      backAngle: this.trunk,
      trunkThigh: 90 + this.trunk - this.leg.thigh,
      kneeRoom: this.b('buttockPoplitealLength') - this.recess + this.push - this.v('seatDepth'),
      lumbarHeight: apex - this.b('smallOfBackHeight'),
      lumbarByPractice: apex,
      lumbarDepth: this.prominence - hollow / 2,
      upperLumbar: this.means('upperLumbar') - zone('upper'),
      lowerLumbar: this.means('lowerLumbar') - zone('lower'),
      lumbarEven: this.means('upperLumbar') - this.means('lowerLumbar'),
      tiltLimiter: this.v('tiltLimiter') - (this.target('backAngle').bandHi ?? NaN),
      armSpread: this.spread,
      hipContact: this.clear - hips + 10,
      padContact: Math.max(this.v('armHeight') - 30 - this.b('thighClearance'), this.clear - hips),
      hipClearance: this.clear - hips,
      armHeight: this.v('armHeight') - fromElbow,
      padsLevel: this.v('armHeight') - level,
      padReach: this.padBeforeElbow,
      padAtDesk: Math.max(before20, under10),
      armPivot: this.v('armPivot') - turn,
      armAngle: this.v('armAngle') - asin(slope),
      headHeight: this.v('headHeight') - nape(),
      headAngle: this.v('headAngle') - this.restLean,
      headDepth: headPad - headOut * sin(this.restLean),
      headClear: headPad - headOut * sin(Math.min(this.trunk, method.headRestFromDeg)),
      leverElbow: this.angle(this.upperArm, this.grip, lever),
      pedalKnee: this.angle(
        Math.hypot(this.reach + 45 * this.share, (90 - 56) * this.share),
        this.b('poplitealHeight') + 56 * this.share - this.ankle,
        toHeel,
      ),
      deskTop: desk + keys - this.elbow,
      deskContact: Math.min(desk - over - this.thighTop, desk - before - this.kneeTop),
      deskClearance: desk - over - this.thighTop,
      headroom: (place?.headroomMm ?? NaN) - (this.datum + this.b('sittingHeight') + overHead),
      gaze: Math.atan2(this.eye - this.v('screenHeight'), place?.screenDistanceMm ?? NaN) / RAD - sight,
      suspensionWeight: this.v('suspensionWeight') - (this.b('bodyMass') + 3 + work.toolsKg),
      damper: this.v('damper') - { smooth: 2, mixed: 3, rough: 4 }[place?.ground ?? 'mixed'],
      methodHeadRest: method.headRestFromDeg,
    };
  }

  /** What the levers and a footrest cost, points. */
  levers(): number {
    let sum = 0;
    const middle = [
      'lumbarApex',
      'backHeight',
      'lumbarDepth',
      'upperLumbar',
      'lowerLumbar',
      'armHeight',
      'armWidth',
      'padSlide',
      'armDepth',
    ];
    const level = ['seatAngle', 'forwardTilt', 'frontSlope', 'chairAngle', 'armPivot', 'armAngle'];
    const lowest = ['backAngle', 'backReach', 'backProfile', 'climate'];
    for (const a of this.all) {
      const values = this.own(a);
      const [low, high] = [values[0]!, values[values.length - 1]!];
      const value = values[this.positions[a.kind] ?? 0]!;
      if (a.kind === 'footrest') {
        sum += this.footrestCost(value);
        continue;
      }
      const rest = middle.includes(a.kind)
        ? (low + high) / 2
        : level.includes(a.kind)
          ? values.reduce((best, v) => (Math.abs(v) < Math.abs(best) ? v : best), low)
          : lowest.includes(a.kind)
            ? low
            : NaN;
      const farther = Math.max(rest - low, high - rest);
      if (!(farther > 0)) continue;
      const off = Math.abs(value - rest);
      sum += (0.2 * off) / farther;
      if ((a.kind === 'forwardTilt' || a.kind === 'frontSlope') && off > 0) sum += 0.5;
    }
    return sum + this.footrestCost(this.footrestMm);
  }
  private footrestCost = (mm: number): number =>
    mm > 0 ? this.inputs.method.footrestPenalty + (0.2 * mm) / 180 : 0;
}

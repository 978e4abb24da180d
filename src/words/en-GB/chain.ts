/** How a number comes about, step by step. */
export const CHAIN_WORDS = {
  'chain.title': 'How it comes about',
  'chain.pedals': 'On pedals the shank stands {deg} forward: of the lower leg’s {leg} it takes {then}.',
  'chain.footGap': 'Lower leg {leg} + shoe {shoe} + support {support} = {sum}.',
  'chain.footGap.tilt':
    'The pan at {pan} puts the hollow of the knee {over} from what the lift reads: it has to read {reads}.',
  'chain.thigh': 'The pan at {pan} and the feet leave the thigh’s underside at {thigh}.',
  'chain.trunkThigh': '90° + back {back} − thigh {thigh} = {angle}.',
  'chain.backAngle': 'Back {back} + whole chair {chair} = {sum}.',
  'chain.kneeRoom':
    'Thigh length {length} − recess {recess} + pushed forward {push} − depth {depth} = {room} behind the knee.',
  'chain.fingers': 'The band is {lo} to {hi} fingers of {whose}: {loMm} to {hiMm}, measured.',
  'chain.fingers.usual':
    'The band is {lo} to {hi} fingers of {whose}: {loMm} to {hiMm} as is usual, until the hand is measured.',
  'chain.lumbarHeight': 'Small of the back {hollow}, apex {apex}, both along the back above the loaded seat.',
  'chain.lumbarByPractice':
    'Nobody measured the small of the back: the apex at {apex} is held to the usual range.',
  'chain.lumbarDepth': 'Half the hollow: {hollow} / 2 = {wanted}.',
  'chain.zone': 'Hollow {hollow}: by where it lies between the zones this one takes {wanted}.',
  'chain.lumbarEven': 'Nobody measured the hollow: both zones stand out alike.',
  'chain.byMethodAndTask': '“{method}” has the tilt locked {use}; the task: {task}.',
  'chain.byMethod': 'By the furthest lean of “{method}”.',
  'chain.tension.moment':
    '0.678 · {mass} · 9.81 · 0.626 · 0.288 · {stature} · sin {at} = {moment} N·m: {percent} of the way from {light} to {stiff} N·m, {wanted}.',
  'chain.tension.mass': '{mass} lies {percent} of the way from {light} to {stiff}: {wanted}.',
  'chain.tension.weighing':
    'The mechanism weighs from {light} to {stiff} by itself; {mass} needs an override of {wanted}.',
  'chain.armSpread':
    'Clear {clear} + pad {pad} − (elbows {elbows} − forearm {forearm}), over twice the upper arm’s {arm}: {out} out.',
  'chain.hipClearance': 'Clear {clear} − hips {hips} = twice {side}.',
  'chain.armHeight':
    'Elbow {elbow}; sitting relaxed, the trunk leaning {back} and the arm {out} out put it at {wanted} above the seat.',
  'chain.padsLevel':
    'Desk {desk} − seat {seat}, as far as the elbow at {elbow} lets the pads follow: {wanted} above the seat.',
  'chain.padsLevel.forearm':
    'Elbow {elbow}; on its way to the hands the forearm rises {slope}: in the middle of the pad it is at {wanted} above the seat.',
  'chain.padReach':
    'The hanging elbow lies {elbow} before the back support; the pad belongs 50 to 200 mm before it.',
  'chain.padAtDesk':
    'Elbow to grip {grip} − hands behind the edge {keys} = the edge {edge} before the elbow.',
  'chain.armPivot': 'Elbow {elbow} from the middle, hand 60 mm, over {length} to the fingertips: {wanted}.',
  'chain.armAngle': 'From the elbow to the hands the forearm slopes {wanted}.',
  'chain.headHeight':
    'Nape {nape}, sitting relaxed; above {pivot} the head stays level while the trunk leans {at}: {wanted} along the back.',
  'chain.headAngle': 'A head that stays level needs the pad turned by the lean, {wanted}.',
  'chain.headDepth': 'Leaning {at}, the level head’s nape stands {wanted} before the line of the back.',
  'chain.headClear':
    'Leaning {at}, where the head does not lean on the pad yet, the nape is {nape} before the line of the back.',
  'chain.leverElbow': 'Upper arm {arm} and forearm to grip {grip}, from the shoulder to the control.',
  'chain.pedalKnee': 'From the hip over the knee to the heel, with a lower leg of {leg}.',
  'chain.suspensionWeight': '{mass} + clothing {clothing} + tools {tools} = {load}.',
  'chain.damper': 'For {ground}: {wanted}.',
  'chain.deskTop':
    'Seat under the buttocks {datum} + elbow {elbow} − keyboard {keyboard} = {top}; the task wants {lo} to {hi} from it.',
  'chain.headroom':
    'Under the sitter {datum} + sitting height {sitting} + ride and helmet {over} = top of the head {top}.',
  'chain.deskClearance': 'Top of the thigh {thigh}, of the knee {knee}.',
  'chain.gaze':
    'Eye {eye}, screen {far} away: {below} below level; the back’s shape turns the sight by {turned}.',
  'chain.estimated': 'Estimated, not measured: {list}.',
  'chain.sink': 'Under this body the cushion moves its stated values by {shift}.',
  'chain.aim': 'Aim on this scale: {aim}.',
  'chain.aim.range': 'Aim on this scale: {lo} to {hi}.',
  'chain.fixed': 'Nobody can move it: {value}.',
  'chain.position': 'It reaches {lowest} to {highest}; position {number} of {of}: {value}.',
  'chain.left': 'Left over: {by} outside the band.',
} as const;

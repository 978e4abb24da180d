/** How a number comes about, step by step. */
export const CHAIN_WORDS = {
  'chain.title': 'How this was worked out',
  'chain.pedals': 'On pedals the lower leg is {deg} forward: popliteal height {leg} counts as {then}.',
  'chain.footGap': 'Popliteal height {leg} + shoe {shoe} + support {support} = {sum}.',
  'chain.footGap.tilt':
    'A seat pan at {pan} puts the back of the knee {over} above the height the lift shows. Set the lift to {reads}.',
  'chain.thigh': 'Seat pan at {pan} and the position of the feet give a thigh underside of {thigh}.',
  'chain.trunkThigh': '90° + backrest {back} − thigh {thigh} = {angle}.',
  'chain.backAngle': 'Backrest {back} + whole chair {chair} = {sum}.',
  'chain.kneeRoom':
    'Thigh length {length} − recess {recess} + pushed forward {push} − seat depth {depth} = {room} behind the knee.',
  'chain.fingers': 'The acceptable range is {lo} to {hi} fingers of {whose}: {loMm} to {hiMm}, measured.',
  'chain.fingers.usual':
    'The acceptable range is {lo} to {hi} fingers of {whose}: typically {loMm} to {hiMm}, until the hand is measured.',
  'chain.lumbarHeight':
    'Small of the back {hollow}, lumbar support {apex}, both along the backrest above the loaded seat.',
  'chain.lumbarByPractice':
    'The small of the back was not measured: the lumbar support at {apex} is compared with the usual range.',
  'chain.lumbarDepth': 'Half the lumbar curve depth: {hollow} / 2 = {wanted}.',
  'chain.zone': 'Lumbar curve depth {hollow}: this zone takes {wanted} of it, by its height.',
  'chain.lumbarEven': 'The lumbar curve was not measured: both zones should be equally deep.',
  'chain.byMethodAndTask': '“{method}” locks the tilt {use}; task: {task}.',
  'chain.byMethod': 'From the furthest recline of “{method}”.',
  'chain.tension.moment':
    '0.678 · {mass} · 9.81 · 0.626 · 0.288 · {stature} · sin {at} = {moment} N·m: {percent} of the way from {light} to {stiff} N·m, {wanted}.',
  'chain.tension.mass': '{mass} is {percent} of the way from {light} to {stiff}: {wanted}.',
  'chain.tension.weighing':
    'The mechanism weighs sitters from {light} to {stiff} itself; {mass} needs an override of {wanted}.',
  'chain.armSpread':
    'Clear width {clear} + pad {pad} − (elbow-to-elbow {elbows} − forearm {forearm}), over twice the upper arm of {arm}: {out} abduction.',
  'chain.hipClearance': 'Clear width {clear} − hip breadth {hips} = twice {side}.',
  'chain.armHeight':
    'Elbow height {elbow}; sitting relaxed, trunk at {back}, arm {out} from the body: {wanted} above the seat.',
  'chain.padsLevel':
    'Desk {desk} − seat surface {seat}, as far as the elbow at {elbow} allows: {wanted} above the seat.',
  'chain.padsLevel.forearm':
    'Elbow at {elbow}; the forearm rises {slope} towards the hands: {wanted} above the seat at the middle of the pad.',
  'chain.padReach':
    'The hanging elbow is {elbow} in front of the backrest; the pad should support 50 to 200 mm in front of it.',
  'chain.padAtDesk':
    'Elbow to grip {grip} − hands behind the desk edge {keys} = desk edge {edge} in front of the elbow.',
  'chain.armPivot': 'Elbow {elbow} from the middle, hand 60 mm, over {length} to the fingertips: {wanted}.',
  'chain.armAngle': 'The forearm slopes {wanted} from elbow to hands.',
  'chain.headHeight':
    'Nape {nape}, sitting relaxed; above {pivot} the head stays level while the trunk reclines {at}: {wanted} along the backrest.',
  'chain.headAngle': 'To stay upright the headrest is tilted by the recline, {wanted}.',
  'chain.headDepth': 'Reclined {at}, the nape is {wanted} in front of the line of the backrest.',
  'chain.headClear':
    'At {at}, before the head rests on the headrest, the nape is {nape} in front of the line of the backrest.',
  'chain.leverElbow': 'Upper arm {arm} and forearm to grip {grip}, from the shoulder to the control.',
  'chain.pedalKnee': 'From the hip over the knee to the heel, popliteal height {leg}.',
  'chain.suspensionWeight': '{mass} + clothing {clothing} + tools {tools} = {load}.',
  'chain.damper': 'For {ground}: {wanted}.',
  'chain.deskTop':
    'Seat surface {datum} + elbow height {elbow} − keyboard {keyboard} = {top}; the task allows {lo} to {hi} from it.',
  'chain.headroom':
    'Seat surface {datum} + sitting height {sitting} + ride and helmet {over} = top of the head {top}.',
  'chain.deskClearance': 'Top of the thigh {thigh}, top of the knee {knee}.',
  'chain.gaze':
    'Eye height {eye}, screen {far} away: {below} below level; the shape of the backrest turns the line of sight by {turned}.',
  'chain.estimated': 'Estimated, not measured: {list}.',
  'chain.sink': 'This sitter’s mass moves the cushion heights by {shift}.',
  'chain.aim': 'Target on this scale: {aim}.',
  'chain.aim.range': 'Target on this scale: {lo} to {hi}.',
  'chain.fixed': 'Fixed at {value}.',
  'chain.position': 'Range {lowest} to {highest}; position {number} of {of}: {value}.',
  'chain.left': '{by} outside the acceptable range.',
} as const;

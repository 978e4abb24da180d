/** The built-in methods and body-size tables, by their ids: names, what they are, steps. */
export const BUILT_IN_WORDS = {
  'method.right-angle': 'Upright',
  'method.arms-to-desk': 'Upright, armrests at desk height',
  'method.open-hip': 'Open hip angle',
  'method.low-seat': 'Low seat',
  'method.open-wedge': 'Forward-sloping seat',
  'method.forearms-carried': 'Close handwork, forearms supported',
  'method.saddle': 'Saddle seat',
  'method.laid-back': 'Reclined',
  'method.half-sitting': 'Half sitting',
  'method.recline-for-breaks': 'Upright, recline for breaks',
  'method.right-angle-then-open': 'Upright, then open hip angle',
  'method.right-angle-then-open.step1': 'Upright first',
  'method.right-angle-then-open.step1.instruct':
    'Set everything square: thighs level, knees at a right angle, trunk upright. Let the sitter feel it.',
  'method.right-angle-then-open.step2': 'Open the backrest',
  'method.right-angle-then-open.step2.instruct':
    'Recline the backrest one notch at a time until breathing is easy; stop where it feels best.',
  'method.right-angle-then-open.step3': 'Let the thighs fall a little',
  'method.right-angle-then-open.step3.instruct':
    'Tip the seat or raise it until the hips are a little above the knees; set the height again.',
  'method.sitter-led': 'Sitter-led',
  'method.sitter-led.step1': 'By feel',
  'method.sitter-led.step1.instruct':
    'Bring the seat to a neutral start. With eyes closed, the sitter finds the best position of each lever; write each one down.',
  'method.sitter-led.step2': 'Measure and judge',
  'method.sitter-led.step2.instruct':
    'Enter what was found. Keep what is inside the acceptable range; outside it, say why and offer the nearest edge.',
  'method.eye-and-hands': 'Sightline and reach first',
  'table.british': 'British adults 19–65, 1986',
  'table.german': 'German adults 18–65, 2005',
  'table.us-army-1988': 'US Army 1988',
  'table.us-army-2012': 'US Army 2012',
  'table.us-adults-2015-18': 'US adults from 20, 2015–18',
} as const;

/** What each method is for: said where one is chosen. */
export const METHOD_ABOUTS = {
  'method.right-angle.about':
    'Thighs level, knees at a right angle, trunk upright or slightly reclined. Simple to teach and to check.',
  'method.arms-to-desk.about':
    'As Upright, with the armrests level with the desk so that the forearms are supported without a step, if the desk is at elbow height.',
  'method.open-hip.about':
    'Hips a little above the knees and the backrest reclined at least 5°, so that the hip angle opens and breathing is easy.',
  'method.low-seat.about':
    'Knees level with the hips or a little higher, the backrest reclined as far as the thighs rise. Relieves the thighs and plants the feet.',
  'method.open-wedge.about':
    'Seat sloped forward 5–15°, trunk about upright. Keeps the lumbar curve while leaning to the work.',
  'method.forearms-carried.about':
    'As Forward-sloping seat, with long pads that support the forearm while the elbow stays free.',
  'method.saddle.about':
    'Thighs falling 20–45° over a high, narrow seat, hip angle wide open, for close work with the hands.',
  'method.laid-back.about':
    'Backrest reclined 15–20° for the whole day, further for reading and telephoning. Takes load off the back.',
  'method.half-sitting.about':
    'Perching between sitting and standing: thighs falling 20–40°, the feet carry half the weight. For sitting and standing all day.',
  'method.recline-for-breaks.about':
    'Upright for work, reclined for rest. For sitters who want a disciplined posture.',
  'method.right-angle-then-open.about':
    'Starts upright, then opens backrest and tilt until it feels best. Teaches the sitter what each control does.',
  'method.sitter-led.about':
    'The sitter finds each setting by preference without looking; then it is measured and judged. Comfort decides.',
  'method.eye-and-hands.about':
    'For cabs and helms: sightline and hand controls decide the seat position, pedals follow. Sight and reach are safety.',
} as const;

/** Words of cards and sheets, and their cautions. */
export const SHEET_WORDS = {
  'neutralStart.liftToTop': 'lift the seat to the top, tilt unlocked, then sit right back',
  'neutralStart.liftToTop.noLock': 'lift the seat to the top, then sit right back',
  'neutralStart.asItStands': 'leave the seat as it stands, and sit right back',
  'neutralStart.lockedUpright': 'lock the backrest a little above upright, then sit right back',
  'neutralStart.backAndLevel': 'set the backrest fully back and the seat pan level, then sit right back',

  'check.seatHeight.tilted': 'front edge {value} above the floor, sitter seated, seat tilted as set',
  'check.seatHeight.leaning': 'front edge {value} above the floor, sitter seated and leaning back',
  'check.seatHeight': 'front edge {value} above the floor, sitter seated',
  'check.from': '{value} {from}',
  'check.seatDepth': '{value} from backrest to front edge',
  'check.seatDepth.room': '{value} from backrest to front edge; {room} free behind the knee',
  'check.armHeight': 'armrest pad {value} above the seat, {floor} above the floor',
  'check.lumbarApex': 'lumbar support {value} above the seat, along the backrest',
  'check.headHeight': 'middle of the headrest {value} above the seat, along the backrest',
  'check.armWidth': '{value} clear between the armrest pads',
  'check.deskHeight': 'desk {value} above the floor',
  'check.backAngle': 'backrest {value} from upright',
  'check.seatAngle': 'seat pan {value} (plus: front edge up)',
  'check.chairAngle': 'whole chair reclined {value}',
  'check.armAngle': 'armrest pads {value} (plus: front end up)',
  'check.screenHeight': 'middle of the screen {value} above the floor',
  'check.footRing': 'foot ring {value} above the floor',
  'check.footrest': 'footrest {value} high',

  'card.title': 'Settings card',
  'card.angle': '{name} {angle}',
  'card.start': 'Start position: {start}',
  'card.setting': 'Setting',
  'card.control.head': 'Hand, control and where it is',
  'card.adjustment': 'Adjustment, in order',
  'card.sitter': 'Sitter',
  'card.seat': 'Seat',
  'card.place': 'Workstation',
  'card.date': 'Date',
  'card.fitter': 'Fitter',
  'card.method': 'Method',
  'card.notPlaced': 'no workstation',
  'card.estimated': 'Based on estimates',
  'card.estimate': '{name} {value} ± {spread}',
  'card.unreached': 'Out of range, and what to do',
  'card.allReached': 'Every measured adjustment is within its acceptable range.',
  'card.offered': 'Would fit with',
  'card.seeking': 'Looking for remedies …',
  'card.unsought': 'Remedies have not been calculated for this card.',
  'card.offered.partly': 'Would help',
  'card.postures': 'Other postures: what to change',
  'card.cautions': 'Cautions',
  'card.refused': 'Do not use this seat for this person',
  'card.angles': 'Posture at these settings',
  'card.draft': 'Draft: not signed off',
  'card.print': 'Print',
  'card.json': 'Download card (JSON)',
  'card.paper': 'Paper size',
  'card.back': 'Back to fitting',

  'caution.scope':
    'A working aid for trained people, not a medical device. Local rules, the maker’s instructions and licensed clinicians come first.',
  'caution.clinician':
    'Stop and see a clinician about new numbness, weakness or pain into a leg or arm. A swollen calf or breathlessness: the same day. Bladder, bowel or saddle feeling changed: an emergency.',
  'caution.settle': 'Give it three to five days, then change one thing at a time.',
  'caution.operator':
    'Adjust only with the machine parked, level and secured, never while driving. Harness on whenever it moves. Calibrate the suspension at each start of shift, after an hour away and for each operator; sit still while it settles. Every latch must click, and the seat must not move when pushed. No cushions or pads.',
  'caution.noHeadRest':
    'The backrest reclines 12° or more, and this seat has no headrest to support the head.',
  'caution.risesByArms':
    'The sitter pushes up on the armrests to stand. Leave them on, and keep the seat no lower than the back of the knee.',
  'caution.armsTurnIn': 'The armrests turn in. Swing or lower them before you stand up.',
  'caution.glasses': 'Glasses: the optician decides. Ask about the distance from eye to screen.',
  'caution.glasses.at': 'Glasses: the optician decides. Ask for lenses that suit {far} from eye to screen.',
  'caution.vibration':
    'The seat is only one part of whole-body vibration. Assessing it is a specialist’s work (EU Directive 2002/44/EC: action value A(8) 0.5 m/s², limit 1.15 m/s²).',
  'caution.heating':
    'Do not use heating on skin with reduced feeling. Switch it off when you leave the seat.',
  'caution.standing':
    'Change to standing gradually. Do not stand all day. Standing makes some back pain worse.',
  'caution.height':
    'Take your weight off to raise the seat; sit to lower it. Never open or heat the gas lift.',
  'caution.pinch':
    'Keep hands out of the tilt mechanism. Hold the backrest before releasing its lock. It may spring forward.',
  'caution.castors':
    'Use castors that suit the floor. A tall or sloped seat on castors can tip or roll away.',
  'caution.remedies': 'Footrests, cushions and blocks must be non-slip, stable and wide enough.',
  'caution.children': 'Supervise children. Only trained adults adjust. Check again as the child grows.',
} as const;

/** The invented seats of Skarrow Isles Ferries. Every range is made up within what such seats commonly have. */
import { office, task } from './office-seats';
import { child, handwork } from './special-seats';
import { canted, dispatch, heavyDuty, reaching, tipping } from './mechanism-seats';
import { crane } from './cab-seats';
import { counter, perching, shaped } from './more-seats';
import { ordinary } from './plain-seats';
import { controlDesk, operator } from './watch-seats';

export const DEMO_SEATS = [
  office,
  task,
  handwork,
  controlDesk,
  operator,
  child,
  counter,
  shaped,
  perching,
  ordinary,
  dispatch,
  heavyDuty,
  tipping,
  canted,
  reaching,
  crane,
] as const;

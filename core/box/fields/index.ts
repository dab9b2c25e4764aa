/** What every field of everything in a box is. */
export { LARGEST, TEETH } from './bounds.ts'
export type {
  Choice,
  ChoiceField,
  Field,
  FieldType,
  FieldUnit,
  Fields,
  FieldsOf,
  IdOf,
  NumberField,
  TextField,
} from './field.ts'
export { CHOICES } from './field.ts'
export {
  AXIS,
  BOX,
  COUPLER,
  DOGS,
  DRUM,
  DRUM_POINT,
  DRUM_TRACK,
  GATE,
  GEAR,
  INTERLOCK_PART,
  MARK,
  MEMBER,
  PIECE,
  POSITION,
  PRECEDENCE,
  RING,
  RULE,
  SELECTOR,
  SELECTOR_PLACE,
  STEP,
  namesOf,
} from './things.ts'

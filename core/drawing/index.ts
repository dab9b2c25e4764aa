/** The section along the shafts, in millimetres. */
export type {
  Section,
  SectionCoupler,
  SectionDifferential,
  SectionGear,
  SectionMember,
  SectionMesh,
  SectionPiece,
  SectionPlanetary,
  SectionWorm,
} from './section.ts'
export {
  RIM_MM,
  SLEEVE_RADIUS_MM,
  SLEEVE_WIDTH_MM,
  couplerShift,
  layOutSection,
  sleeveShiftMm,
  slidShiftsMm,
} from './section.ts'

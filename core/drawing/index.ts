/** The section along the shafts, in millimetres. */
export type {
  Section,
  SectionCoupler,
  SectionDifferential,
  SectionGear,
  SectionMember,
  SectionMesh,
  SectionPlanetary,
  SectionWorm,
} from './section.ts'
export {
  HOLLOW_WALL_MM,
  RIM_MM,
  SHAFT_RADIUS_MM,
  SLEEVE_RADIUS_MM,
  SLEEVE_TRAVEL_MM,
  SLEEVE_WIDTH_MM,
  layOutSection,
  sleeveShiftMm,
  slidShiftsMm,
} from './section.ts'

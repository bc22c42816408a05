export {
  cutawayFaults,
  cutawayKinds,
  KNOB_TURNS,
  netForce,
  type CutawayDoing,
  type CutawayFault,
  type CutawayForce,
  type CutawayHands,
  type CutawayKind,
  type CutawayView,
} from './cutaway';
export * from './run-cutaway';

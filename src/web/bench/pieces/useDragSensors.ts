import { KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import { sortableKeyboardCoordinates } from "@dnd-kit/sortable";

// Made once: sensors that are new at every turn would have every row drawn again.
const BY_POINTER = { activationConstraint: { distance: 5 } };
const BY_KEYS = {
  coordinateGetter: sortableKeyboardCoordinates,
  keyboardCodes: { start: ["Space"], cancel: ["Escape"], end: ["Space", "Enter"] },
};

/** Dragging by pointer and by keyboard: space lifts, arrows move, space or enter puts down, escape leaves it. */
export const useDragSensors = () => useSensors(useSensor(PointerSensor, BY_POINTER), useSensor(KeyboardSensor, BY_KEYS));

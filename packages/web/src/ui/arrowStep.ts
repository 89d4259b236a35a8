/** How far an arrow key moves what is chosen on the plan. */
export const PLAN_STEP_MM = 5;
/** How many steps it is with the shift key held. */
const FAR = 10;

/** The way an arrow key moves something; null for any other key. @param stepMm of a press without the shift key */
export function arrowStep(
  { key, shiftKey }: Pick<KeyboardEvent, 'key' | 'shiftKey'>,
  stepMm = PLAN_STEP_MM,
): { readonly dxMm: number; readonly dyMm: number } | null {
  const mm = shiftKey ? stepMm * FAR : stepMm;
  switch (key) {
    case 'ArrowLeft':
      return { dxMm: -mm, dyMm: 0 };
    case 'ArrowRight':
      return { dxMm: mm, dyMm: 0 };
    case 'ArrowUp':
      return { dxMm: 0, dyMm: -mm };
    case 'ArrowDown':
      return { dxMm: 0, dyMm: mm };
    default:
      return null;
  }
}

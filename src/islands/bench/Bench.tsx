import { CurveReader } from './CurveReader';
import { DrawTool } from './DrawTool';
import { Planner } from './Planner';

const tools = { curves: CurveReader, planner: Planner, draw: DrawTool } as const;

/** The tools of the bench as one script: as three they would split what they share with other pages into many small ones. */
export function Bench({ tool }: { tool: keyof typeof tools }) {
  const Tool = tools[tool];
  return <Tool />;
}

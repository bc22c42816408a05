import {
  airTool,
  columnTool,
  gaugeTool,
  springTool,
  switchTool,
  turnsTool,
} from './pressure-tools';
import { bandTool, loopTool, signalTool, unitsTool } from './signal-tools';
import type { BenchTool } from './tool';

/** The sums of the bench, in the order people reach for them. Tuning has a page of its own. */
export const benchTools: readonly BenchTool[] = [
  unitsTool,
  signalTool,
  springTool,
  airTool,
  gaugeTool,
  switchTool,
  loopTool,
  bandTool,
  turnsTool,
  columnTool,
];

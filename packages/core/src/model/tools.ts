import { z } from 'zod';
import { idsOf, tableOf } from './table';

/** A tool that a workshop has few of, so that it counts who holds it. */
interface ToolDefinition {
  /** One of it, in a sentence. */
  word: string;
  /** The field of how many there are. */
  label: string;
}

/** Tools that are in one pair of hands at a time; what each method takes stands with the method. */
export const toolTable = tableOf<ToolDefinition>()({
  airbrush: { word: 'airbrush', label: 'Airbrushes, with compressor' },
  'heat-gun': { word: 'heat gun', label: 'Heat guns' },
});
export type Tool = keyof typeof toolTable;
export const tools = idsOf(toolTable);

const howMany = z.number().int('whole tools only').min(1, 'at least one').max(20, 'at most 20').optional();

/** How many of each tool a workshop has; one of each unless said. */
export const toolsSchema = z.looseObject({
  airbrush: howMany,
  'heat-gun': howMany,
} satisfies Record<Tool, typeof howMany>);

/** Of a tool that nobody counted there is one. */
const UNLESS_SAID = 1;

/** How many of a tool there are. */
export const toolCount = (
  counts: Readonly<Partial<Record<Tool, number | undefined>>> | undefined,
  tool: Tool,
): number => counts?.[tool] ?? UNLESS_SAID;

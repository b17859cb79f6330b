import { z } from 'zod';
import { bindings } from '../plan/plan';

/** A plan put by, so that the next look at the build goes on from it: a warm start as JSON. */
export const storedPlanSchema = z.object({
  order: z.array(z.string().max(300)).max(50_000),
  /** A mark of the build it is of. */
  of: z.string().max(40).optional(),
  passes: z
    .array(
      z.object({
        operation: z.string().max(300),
        beginsAt: z.number(),
        person: z.string().max(100),
        letsDryThrough: z.literal(true).optional(),
        /** When it was first said to begin, where it slipped since. */
        promisedAt: z.number().optional(),
        /** Why it does not begin sooner. */
        why: z.enum([...bindings, 'choice']).optional(),
      }),
    )
    .max(50_000),
});
export type StoredPlan = z.infer<typeof storedPlanSchema>;

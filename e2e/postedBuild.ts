import type { Build } from '@fixatum/core';
import { expect } from '@playwright/test';

/** Sends a build to a server, and looks at it as it is stored. */
export async function postBuild(
  url: string,
  build: object,
): Promise<{ id: string; stored: () => Promise<Build> }> {
  const answer = await fetch(`${url}/api/builds`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(build),
  });
  expect(answer.status).toBe(201);
  const { id } = (await answer.json()) as { id: string };
  return {
    id,
    stored: async () => ((await (await fetch(`${url}/api/builds/${id}`)).json()) as { build: Build }).build,
  };
}

import { test as base } from '@playwright/test';

export { expect } from '@playwright/test';
export type { APIRequestContext, Download, Page, Request } from '@playwright/test';

/** What is asked of the server beside the page is asked as the app asks; pages send what they send. */
export const AS_APP = { 'kettle-app': 'journey' } as const;
export const test = base.extend({
  request: async ({ playwright, baseURL }, use) => {
    const request = await playwright.request.newContext({
      ...(baseURL ? { baseURL } : {}),
      extraHTTPHeaders: AS_APP,
    });
    await use(request);
    await request.dispose();
  },
});

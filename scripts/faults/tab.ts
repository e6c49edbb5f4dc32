import type { BrowserContext, Page } from '@playwright/test';
import { demoPeople } from '../site/fill-demo.ts';

/** A person at a bench in a real browser, who goes on pulling whatever happens. */
export type Tab = {
  readonly name: string;
  readonly job: string;
  /** Positions of pulls that were shown as recorded, in the order in which they were. */
  readonly shown: readonly string[];
  /** What the site refused, though nothing that was done could be. */
  readonly refused: readonly string[];
  /** Presses the key of the large action once, and notes what is shown; often a witness mark follows at once, as by somebody who is quick. */
  readonly press: () => Promise<void>;
  /** Kills the tab and opens it again once the site answers. */
  readonly kill: () => Promise<void>;
  /** Sets the clock of this device so many hours off. */
  readonly setClock: (hours: number) => Promise<void>;
  /** Waits until the page says that all is sent; answers what it says when it never does. */
  readonly untilSent: (patienceMs: number) => Promise<string | null>;
  readonly close: () => Promise<void>;
};

const OPEN_MS = 60_000;
// No sooner than a person's next pulse: within 400 ms the bench takes one for the first one bouncing.
const DRAWN_MS = 450;

const signIn = async (context: BrowserContext, address: string, name: string): Promise<void> => {
  const people = (await (await context.request.get(`${address}/api/v1/people`)).json()) as {
    id: string;
    name: string;
  }[];
  const personId = people.find((person) => person.name === name)?.id;
  const pin = demoPeople().find((person) => person.name === name)?.pin;
  await context.request.post(`${address}/api/v1/sessions`, { data: { personId, pin } });
};

/** Opens the bench of a job that is ready for its first pull. */
export const openTab = async (
  context: BrowserContext,
  address: string,
  name: string,
  job: string,
): Promise<Tab> => {
  const shown: string[] = [];
  const refused: string[] = [];
  let presses = 0;
  let offsetHours = 0;
  let page: Page;
  await signIn(context, address, name);
  await context.addInitScript(() => {
    const real = Date.now.bind(Date);
    const Real = Date;
    const off = (): number => Number(localStorage.getItem('campaign-clock') ?? 0) * 3_600_000;
    const Shifted = class extends Real {
      constructor(...given: unknown[]) {
        // @ts-expect-error a date takes what it takes
        super(...(given.length === 0 ? [real() + off()] : given));
      }
      static override now(): number {
        return real() + off();
      }
    };
    globalThis.Date = Shifted as DateConstructor;
  });
  const open = async (): Promise<void> => {
    const giveUpAt = Date.now() + OPEN_MS;
    for (;;) {
      page = await context.newPage();
      try {
        await page.goto(`${address}/jobs/${job}/bench`, { timeout: 10_000 });
        await page.getByTestId('main-action').waitFor({ timeout: 10_000 });
        return;
      } catch (error) {
        await page.close();
        if (Date.now() > giveUpAt) throw error;
        await new Promise((resolve) => setTimeout(resolve, 300));
      }
    }
  };
  await open();

  const note = async (): Promise<void> => {
    const said = await page
      .getByTestId('verdict')
      .textContent({ timeout: 2_000 })
      .catch(() => null);
    const position = /^(?:Last: )?(P\d+): in/.exec(said ?? '')?.[1];
    if (position && shown.at(-1) !== position && !shown.includes(position)) shown.push(position);
  };

  /** What stands over the bench is answered as somebody does who wants to go on. It may have gone by itself meanwhile. */
  const answerDialog = async (): Promise<void> => {
    const dialog = page.getByRole('dialog');
    if (!(await dialog.isVisible())) return;
    const said = (await dialog.textContent({ timeout: 2_000 }).catch(() => null)) ?? '';
    if (said.includes('did not take this')) refused.push(said);
    await dialog
      .getByRole('button')
      .first()
      .click({ timeout: 2_000 })
      .catch(() => {
        // The next press finds it still there, or gone.
      });
  };

  return {
    name,
    job,
    shown,
    refused,
    press: async () => {
      await answerDialog();
      await page.keyboard.press('Space');
      presses += 1;
      if (presses % 2 === 0) await page.keyboard.press('w');
      await page.waitForTimeout(DRAWN_MS);
      await note();
    },
    kill: async () => {
      // Nothing is asked and nothing waited for, as when a browser is killed.
      await page.close({ runBeforeUnload: false });
      await open();
      await page.waitForTimeout(200);
    },
    setClock: async (hours) => {
      offsetHours = hours;
      await page.evaluate((each) => localStorage.setItem('campaign-clock', String(each)), offsetHours);
    },
    untilSent: async (patienceMs) => {
      const giveUpAt = Date.now() + patienceMs;
      let says = '';
      while (Date.now() < giveUpAt) {
        says =
          (await page
            .getByTestId('waiting')
            .textContent()
            .catch(() => '')) ?? '';
        if (says.startsWith('all sent')) return null;
        await page.waitForTimeout(300);
      }
      return says;
    },
    close: () => context.close(),
  };
};

import { FORECAST_RUNS, forecastSteps, seededBy, type Forecast, type ForecastInput } from '../core';

/** What the worker is asked, and what it says while it works; stopped by ending it. */
export interface ForecastAsked {
  input: ForecastInput;
  seed: string;
}
export type ForecastSaid = { done: number } | { forecast: Forecast };

addEventListener('message', (event: MessageEvent<ForecastAsked>) => {
  const { input, seed } = event.data;
  const steps = forecastSteps(input, seededBy(seed), FORECAST_RUNS);
  for (;;) {
    const step = steps.next();
    postMessage((step.done ? { forecast: step.value } : { done: step.value }) satisfies ForecastSaid);
    if (step.done) return;
  }
});

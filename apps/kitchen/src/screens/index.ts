import { type ComponentType, createElement, useSyncExternalStore } from 'react';
import { lazily } from '../ui/layout/lazily';

/** Told once the rest of the app is on its way. */
const asked = new EventTarget();
let isAsked = false;
function load() {
  isAsked = true;
  asked.dispatchEvent(new Event('asked'));
  return import('./rest');
}
type Rest = Awaited<ReturnType<typeof load>>;
type PropsOf<N extends keyof Rest> = Rest[N] extends ComponentType<infer P> ? P & object : never;

/** A screen, or a part of one, that comes with the rest of the app. */
const later = <N extends keyof Rest>(name: N) =>
  lazily<PropsOf<N>>(async () => ({ default: (await load())[name] as unknown as ComponentType<PropsOf<N>> }));

const whenAsked = (tell: () => void) => {
  asked.addEventListener('asked', tell);
  return () => asked.removeEventListener('asked', tell);
};

/** A part of the first page that it can stand without: it does not itself bring the rest of the app, but comes with it. */
function withTheRest<N extends keyof Rest>(name: N): ComponentType<PropsOf<N>> {
  const Part = later(name);
  return function WithTheRest(props: PropsOf<N>) {
    const here = useSyncExternalStore(whenAsked, () => isAsked);
    return here ? createElement(Part, props) : null;
  };
}

/** The first page has the processor of a slow phone to itself for this long. */
const FIRST_PAGE_MS = 4000;
const HANDS = ['pointermove', 'pointerdown', 'keydown'] as const;

/** Fetches the rest of the app once somebody reaches for it, or when the first page has long stood. */
export function preloadRest(): void {
  if (typeof window === 'undefined') return;
  const fetchRest = () => {
    clearTimeout(timer);
    HANDS.forEach((hand) => window.removeEventListener(hand, fetchRest));
    void load();
  };
  const timer = setTimeout(fetchRest, FIRST_PAGE_MS);
  HANDS.forEach((hand) => window.addEventListener(hand, fetchRest, { passive: true }));
}

export const BallsScreen = later('BallsScreen');
export const BatchScreen = later('BatchScreen');
export const BenchScreen = later('BenchScreen');
export const DiscScreen = later('DiscScreen');
export const EditScreen = later('EditScreen');
export const SwapScreen = later('SwapScreen');
export const CardScreen = later('CardScreen');
export const VersionsScreen = later('VersionsScreen');
export const LiveScreen = later('LiveScreen');
export const PlatesScreen = later('PlatesScreen');
export const GriddleScreen = later('GriddleScreen');
export const WindowScreen = later('WindowScreen');
export const IngredientsScreen = later('IngredientsScreen');
export const LessonsScreen = later('LessonsScreen');
export const ChartsScreen = later('ChartsScreen');
export const CompareScreen = later('CompareScreen');
export const LabelScreen = later('LabelScreen');
export const LogScreen = later('LogScreen');
export const WrongScreen = later('WrongScreen');
export const PlanScreen = later('PlanScreen');
export const PlansScreen = later('PlansScreen');
export const ServiceScreen = later('ServiceScreen');
export const ServiceEditScreen = later('ServiceEditScreen');
export const HandOverScreen = later('HandOverScreen');
export const SettingsScreen = later('SettingsScreen');
export const StockScreen = later('StockScreen');
export const WriteScreen = later('WriteScreen');

/** What the formula book shows beside its tickets. */
export const bookParts = {
  BringIn: withTheRest('BringIn'),
  FormulaPage: later('FormulaPage'),
  TakeBook: withTheRest('TakeBook'),
};
export const StartWatch = withTheRest('StartWatch');
export const ReadyBoard = withTheRest('ReadyBoard');
export const HeldSheet = later('HeldSheet');

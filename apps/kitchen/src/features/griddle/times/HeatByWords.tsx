import { HEAT_WORDS, type HeatWord, heatSigns } from '@kettle-scale/core/bake';
import { Choices } from '../../../ui/input/Choices';
import { Label } from '../../../ui/type';
import { useGriddleChoice } from '../../../shared/griddleChoice';

const OPTIONS = HEAT_WORDS.map(({ words }) => [words, words] as const);

/** The heat by a cook's word for it, with its range and its signs, for who has no thermometer. */
export function HeatByWords({ plateC }: { plateC: number }) {
  const set = useGriddleChoice((state) => state.set);
  const here = HEAT_WORDS.find(({ fromC, toC }) => plateC >= fromC && plateC < toC);
  const choose = (words: HeatWord) => {
    const found = HEAT_WORDS.find((one) => one.words === words);
    if (found) set({ plateC: Math.round((found.fromC + found.toC) / 2) });
  };
  return (
    <>
      <Choices
        label="No thermometer: choose by feel"
        value={here?.words ?? null}
        options={OPTIONS}
        onChange={choose}
      />
      {here ? <Label>{heatSigns(here)}</Label> : null}
    </>
  );
}

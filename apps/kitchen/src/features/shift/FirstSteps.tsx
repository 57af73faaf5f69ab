import { DEFAULT_KITCHEN, type Griddle, type Kitchen } from '@kettle-scale/core/kitchen';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useChangeKitchen } from '../../api/changes';
import { useKitchen } from '../../api/queries';
import { useOpenSandbox } from '../../api/sandbox';
import { ForLead } from '../../shared/ForLead';
import { Action } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

const SCALE_STEPS_G = [1, 2, 5] as const;
const BOWLS_G = [2000, 5000, 10_000, 20_000] as const;
/** A bowl mixes well from this share of what it holds on (assumption; the settings have the figure). */
const LEAST_SHARE = 0.2;

/** Plates to begin from; every kitchen sets its own. */
const PLATES: readonly (readonly [words: string, griddle: Griddle])[] = [
  [
    'Steel griddle',
    {
      ...{ id: 'griddle', name: 'Griddle', material: 'steel', thicknessMm: 10, shape: 'rectangle' },
      ...{ widthMm: 600, depthMm: 450, heat: 'thermostat', powerW: 6000, marks: [] },
    },
  ],
  [
    'Cast-iron pan',
    {
      ...{ id: 'iron-pan', name: 'Iron pan', material: 'cast iron', thicknessMm: 4.5, shape: 'round' },
      ...{ widthMm: 280, depthMm: 280, heat: 'burner', flame: 'medium', powerW: 2500, marks: [] },
    },
  ],
  [
    'Comal',
    {
      ...{ id: 'comal', name: 'Comal', material: 'steel', thicknessMm: 3, shape: 'round' },
      ...{ widthMm: 360, depthMm: 360, heat: 'burner', flame: 'medium', powerW: 2500, marks: [] },
    },
  ],
];

/** Three questions that plans rest on; each is answered by a tap, and any may be skipped. */
function KitchenQuestions({ kitchen }: { kitchen: Kitchen }) {
  const save = useChangeKitchen(kitchen);
  const format = useFormat();
  const [answers, setAnswers] = useState<Partial<Kitchen>>({});
  const keep = (changes: Partial<Kitchen>) => {
    setAnswers({ ...answers, ...changes });
    save.mutate(changes);
  };
  // A figure that nobody gave is not shown as chosen.
  const given = (about: 'benchStepG' | 'bowlCapacityG') =>
    about in answers || kitchen[about] !== DEFAULT_KITCHEN[about]
      ? String(answers[about] ?? kitchen[about])
      : null;
  return (
    <Ticket>
      <Heading>Your kitchen</Heading>
      <Label>Three answers make the plans fit. Skip what you do not know; Settings has it all.</Label>
      <Choices
        label="Step of the scale"
        value={given('benchStepG')}
        // In grams for every reader: the scale's display says so.
        options={SCALE_STEPS_G.map((step) => [String(step), `${step} g`] as const)}
        onChange={(step) => keep({ benchStepG: SCALE_STEPS_G.find((one) => String(one) === step) ?? 1 })}
      />
      <Choices
        label="Most dough in the bowl"
        value={given('bowlCapacityG')}
        options={BOWLS_G.map((massG) => [String(massG), format.bulk(massG)] as const)}
        onChange={(massG) =>
          keep({
            bowlCapacityG: Number(massG),
            bowlMinimumG: Math.round(Number(massG) * LEAST_SHARE),
          })
        }
      />
      <Choices
        label="Griddle"
        value={(answers.griddles ?? kitchen.griddles)?.[0]?.id ?? null}
        options={PLATES.map(([words, { id }]) => [id, words] as const)}
        onChange={(id) => {
          const plate = PLATES.find(([, griddle]) => griddle.id === id)?.[1];
          if (plate) keep({ griddles: [plate] });
        }}
      />
      {save.error ? <FieldError id="questions-error" message={save.error.message} /> : null}
    </Ticket>
  );
}

/** An empty kitchen: how to get a first formula, and what plans need to know. */
export function FirstSteps() {
  const router = useRouter();
  const kitchen = useKitchen();
  const demo = useOpenSandbox();
  return (
    <>
      <Ticket>
        <Heading>Start here</Heading>
        <Body>A batch is made from a formula: write one as you say it, or import a book.</Body>
        <ForLead instead="A lead writes the first formula.">
          <Action icon="write" label="Write your first formula" onPress={() => router.push('/write')} />
        </ForLead>
        <Action icon="upload" label="Import a book" onPress={() => router.push('/formulas')} />
        <Action
          icon="find"
          label={demo.isPending ? 'Making the demo kitchen …' : 'Look at a demo kitchen'}
          disabled={demo.isPending}
          onPress={() => demo.mutate()}
        />
        {demo.error ? <FieldError id="demo-error" message={demo.error.message} /> : null}
        <Label>It opens beside your kitchen and is deleted when you leave.</Label>
      </Ticket>
      <ForLead>{kitchen.data ? <KitchenQuestions kitchen={kitchen.data} /> : null}</ForLead>
    </>
  );
}

import type { ComponentProps } from 'react';
import { isAgainstDirection, isDirected, isUneven, planDesigns, totalOf } from '../../core/planning/plan';
import { given as written, powerPercent, significant } from '../../core/words/numbers';
import { listed, valued } from '../../core/words/sentences';
import { Accepted } from '../kit/Accepted';
import { Joined } from '../kit/Joined';
import { Choose } from '../kit/Parts';
import { asQuery } from './address';
import { type Planned, asks } from './planned';
import { Value } from './Value';

/** The plan as a sentence, its parts to be changed; what is asked stands in it as found. */
export function PlanSentence({
  change,
  plan,
  ask,
  wanted,
  loss,
  unit,
  subject,
  given,
  found,
  n,
  shown,
  power,
}: Planned) {
  const field = (label: string, key: string, value: number, rest: Partial<ComponentProps<typeof Value>> = {}) => (
    <Value
      label={label}
      value={value}
      step={0.1}
      optional={false}
      unit={/percent/i.test(label) ? '%' : unit}
      onChange={(x) => change({ [key]: asQuery(x) })}
      {...rest}
    />
  );
  const percentOf = (label: string, key: string, share: number, least: number, most: number, mark = '') => (
    <Joined>
      {field(label, key, Number((100 * share).toPrecision(8)), { step: 1, least, most })} %{mark}
    </Joined>
  );
  const correlation = (label: string, least = 0) =>
    field(label, 'correlation', plan.correlation, { step: 0.05, least, most: 0.99 });
  /** A number of groups, readings or samples. */
  const count = (label: string, key: string, value: number, least: number, most: number) =>
    field(label, key, value, { step: 1, least, most, whole: true });
  const numbers = totalOf(shown, n);
  const uneven = isUneven(numbers);
  const shares = plan.design === 'shares';
  const two = plan.design === 'two-groups' || plan.design === 'shares';
  const directed = isDirected(plan.design);
  const answered = (words: string) => (
    <strong className="font-semibold" data-testid="planned">
      {words}
    </strong>
  );
  const differenceName = ['several', 'factorial', 'repeated', 'nested', 'adjusted', 'blocked'].includes(plan.design)
    ? 'Difference of the largest and smallest mean'
    : 'Difference';
  const noun = (
    <Accepted
      className="part"
      aria-label="What one sample is"
      placeholder="samples"
      value={subject}
      onAccept={(text) => change({ subject: text })}
    />
  );
  return (
    <>
      <h1 className="prose-serif mt-4 text-[23px] leading-relaxed">
        For{' '}
        <Choose
          label="Design"
          value={plan.design}
          options={planDesigns}
          onChange={(design) => change({ design, difference: undefined, groups: undefined, readings: undefined })}
        />
        {['several', 'nested', 'adjusted', 'blocked'].includes(plan.design) && (
          <>, {count('Groups', 'groups', plan.groups, 2, 200)} of them</>
        )}
        {(plan.design === 'repeated' || plan.design === 'mixed') && (
          <> {count('Conditions', 'groups', plan.groups, 2, 100)} conditions</>
        )}
        {plan.design === 'factorial' && (
          <>
            {' '}
            of {count('Levels of the first factor', 'groups', plan.groups, 2, 50)} by{' '}
            {count('Levels of the second factor', 'levels', plan.levels, 2, 50)} levels
          </>
        )}
        , to find{' '}
        {shares ? (
          <>
            a share that differs from{' '}
            {field('Share in the first group', 'share', plan.share, { step: 0.01, least: 0.001, most: 0.999 })} by{' '}
          </>
        ) : (
          'a difference of '
        )}
        <Joined>
          {ask === 'difference'
            ? answered(found.ok ? valued(significant(shown.difference, 3), shares ? '' : unit) : '…')
            : field(differenceName, 'difference', plan.difference, {
                step: shares ? 0.01 : 0.1,
                refuse: (x) => (x === 0 ? '0: a difference to be found is asked' : undefined),
              })}
          {shares ? ', ' : ' '}
        </Joined>
        {!shares && ask !== 'difference' && (
          <Accepted
            className="part"
            aria-label="Unit"
            placeholder="unit"
            value={unit}
            onAccept={(text) => change({ unit: text })}
          />
        )}
        {!shares && (
          <>
            {' '}
            where {plan.design === 'paired' ? 'differences' : 'readings'} have an SD of{' '}
            <Joined>
              {field('SD expected', 'sd', plan.sd, {
                refuse: (x) => (x > 0 ? undefined : `${written(x)}: an SD above 0 is asked`),
              })}
              ,{' '}
            </Joined>
          </>
        )}
        with a power of{' '}
        {ask === 'power' ? (
          <>{answered(power.ok ? powerPercent(power.value) : '…')},</>
        ) : (
          percentOf('Power wanted in percent', 'power', wanted, 1, 99.99, ',')
        )}{' '}
        take{' '}
        {ask === 'n'
          ? answered(found.ok ? listed(uneven ? numbers.each.map(String) : [String(n)]) : '…')
          : count(uneven ? 'Number in the first group' : 'Number in each group', 'n', given, 2, 1e6)}
        {uneven && ask !== 'n' && ` and ${numbers.each.slice(1).join(', ')}`}{' '}
        {plan.design === 'blocked' ? 'blocks' : noun}{' '}
        {plan.design === 'blocked'
          ? ''
          : plan.design === 'factorial'
            ? 'a cell'
            : directed && !two
              ? ''
              : plan.design === 'repeated'
                ? ''
                : uneven
                  ? 'in the first group and the second'
                  : 'in each group'}
        .
      </h1>
      <p className="prose-serif text-[17px] text-muted">
        Asked is{' '}
        <Choose
          label="What is asked"
          value={ask}
          options={asks}
          onChange={(next) => change({ ask: next, ...(next === 'n' ? {} : { n: String(n) }) })}
        />
        , tested{' '}
        {directed && (
          <Choose
            label="Direction"
            value={plan.direction}
            options={{ either: 'two-sided', greater: 'one-sided (greater)', less: 'one-sided (less)' }}
            onChange={(direction) =>
              // A difference of the other sign could not be found: it turns with the test.
              change({
                direction,
                ...(isAgainstDirection({ ...plan, direction }) ? { difference: asQuery(-plan.difference) } : {}),
              })
            }
          />
        )}{' '}
        at the{' '}
        <Joined>
          <Value
            label="Level of significance in percent"
            value={Number((100 * plan.alpha).toPrecision(8))}
            step={1}
            optional={false}
            unit="%"
            least={0.0001}
            most={49}
            onChange={(x) => change({ alpha: asQuery(x === undefined ? x : Number((x / 100).toPrecision(8))) })}
          />{' '}
          %
        </Joined>{' '}
        level
        {two && (
          <>
            ; the second group{' '}
            {field('Second group as a multiple of the first', 'ratio', plan.ratio, { least: 0.05, most: 20 })} times the
            first
          </>
        )}
        {(plan.design === 'repeated' || plan.design === 'mixed') && (
          <>; readings of one subject correlate by {correlation('Correlation')}</>
        )}
        {plan.design === 'nested' && (
          <>
            ; each {subject || 'sample'} is read {count('Readings of each sample', 'readings', plan.readings, 1, 1000)}{' '}
            times, and two of its readings correlate by {correlation('Intraclass correlation')}
          </>
        )}
        {plan.design === 'blocked' && (
          <>
            ; each block has {count('Readings of each group in a block', 'readings', plan.readings, 1, 1000)} {noun} of
            each group, and readings of one block correlate by {correlation('Correlation')}
          </>
        )}
        {plan.design === 'adjusted' && (
          <>; readings correlate with the covariate by {correlation('Correlation', -0.99)}</>
        )}
        ; a loss of {percentOf('Loss expected in percent', 'loss', loss, 0, 90)} is expected.
      </p>
    </>
  );
}

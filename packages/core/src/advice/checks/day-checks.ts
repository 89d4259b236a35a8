import { given } from '../../base/units';
import type { Elsewhere, ScheduleIssue } from './schedule-issue';
import type { QuickFix, Warning } from './warning';

interface Late {
  readonly wantedText: string;
  readonly readyText: string;
  readonly lateMin: number;
  readonly notBeforeText: string | null;
}
interface DayInputs {
  readonly late: Late | null;
  readonly troubles: readonly ScheduleIssue[];
}

/** A board that is ready too late for what it is wanted for, and all that goes wrong with its evenings. */
export function* dayWarnings({ late, troubles }: DayInputs): Generator<Warning> {
  if (late !== null) yield lateWarning(late);
  for (const trouble of troubles) yield { ...told(trouble), featureId: null };
}

function lateWarning({ wantedText, readyText, lateMin, notBeforeText }: Late): Warning {
  return {
    id: 'days/late',
    code: 'days/late',
    severity: 'care',
    featureId: null,
    title: `Needed by ${wantedText}`,
    text: [
      `The board is ready ${readyText}, ${spanText(lateMin)} too late. `,
      notBeforeText === null
        ? 'Try “Optimise schedule” or “Ways to finish earlier” in Days.'
        : `No schedule can meet this date: the slowest tile or piece alone is finished ${notBeforeText}. See “Ways to finish earlier” in Days.`,
    ],
    mends: [],
  };
}

type Told = Omit<Warning, 'featureId'>;
const dryIn = (elsewhere: Elsewhere | null): QuickFix[] =>
  elsewhere === null
    ? []
    : [
        {
          label: `Work and dry in ${elsewhere.name}`,
          edit: { code: 'drying/change', change: { placeId: elsewhere.placeId, on: 'shelf' } },
        },
      ];
const heated = (placeId: string, placeName: string, airC: number, humidityPct?: number): QuickFix => ({
  label: humidityPct === undefined ? `Heat ${placeName} to ${airC} °C` : `Heat and dry ${placeName}: ${airC} °C, ${humidityPct} %`,
  edit: {
    code: 'place/change',
    placeId,
    change: { spells: [] },
    air: { by: 'typed', airC, ...(humidityPct === undefined ? {} : { humidityPct }) },
  },
});

/** Below its film-forming temperature a water-borne coat or glue never binds. @source craft.md §8 */
function coldTold({
  placeId,
  placeName,
  what,
  others,
  leastC,
  airC,
  untilText,
  elsewhere,
}: Extract<ScheduleIssue, { kind: 'cold' }>): Told {
  const rest = others === 0 ? '' : others === 1 ? ' and one other task' : ` and ${others} other tasks`;
  const warmC = Math.max(leastC, 20);
  return {
    id: `air/too-cold ${placeId}`,
    code: 'air/too-cold',
    severity: untilText === null ? 'stop' : 'care',
    title: `Too cold in ${placeName}`,
    text: [
      'At ',
      given('Air', airC, '°C', 'plan', placeName),
      ` “${what}”${rest} ${others === 0 ? 'does not set there; it needs at least' : 'do not set there; they need at least'} `,
      given('Minimum temperature', leastC, '°C', 'catalogue', 'our default value; the product label comes first'),
      untilText === null ? ', and it is never that warm there.' : `. ${others === 0 ? 'It waits' : 'They wait'} until ${untilText}.`,
    ],
    mends: [...dryIn(elsewhere), heated(placeId, placeName, leastC), ...(warmC > leastC ? [heated(placeId, placeName, warmC)] : [])],
  };
}

/** `3 d 4 h`, an hour at least. */
function spanText(min: number): string {
  const hours = Math.max(1, Math.ceil(min / 60));
  const [days, rest] = [Math.floor(hours / 24), hours % 24];
  return [...(days > 0 ? [`${days}\u00a0d`] : []), ...(rest > 0 ? [`${rest}\u00a0h`] : [])].join('\u00a0');
}

/** Each kind of trouble in words. */
const IN_WORDS: { readonly [Kind in ScheduleIssue['kind']]: (trouble: Extract<ScheduleIssue, { kind: Kind }>) => Told } = {
  cold: (trouble) => coldTold(trouble),
  'never-dry': ({ placeId, placeName, what, elsewhere }) => ({
    id: `air/never-dries ${placeId}`,
    code: 'air/never-dries',
    severity: 'stop',
    title: `Too damp or cold to dry: ${placeName}`,
    text: [`${what} never dries there: the air is too damp to take up water, or it is too cold to set.`],
    mends: [...dryIn(elsewhere), heated(placeId, placeName, 20, 50)],
  }),
  dew: (trouble) => ({
    id: `air/dew ${trouble.placeName}`,
    code: 'air/dew',
    severity: 'care',
    title: `Dew in ${trouble.placeName}`,
    text: [
      `the floor is at `,
      given('Floor', trouble.dewC, '°C', 'calendar', trouble.placeName),
      `, under the dew point of the air: ${trouble.what.toLowerCase()} gets wet again from ${trouble.whenText} on.`,
    ],
    mends: [{ label: 'Dry it on a shelf', edit: { code: 'drying/change', change: { on: 'shelf' } } }],
  }),
  mould: (trouble) => ({
    id: `air/mould ${trouble.placeId}`,
    code: 'air/mould',
    severity: 'care',
    title: `Mould in ${trouble.placeName}`,
    text: [`wood and card that stay wet in such damp air can grow mould by ${trouble.whenText}.`],
    mends: [...dryIn(trouble.elsewhere), heated(trouble.placeId, trouble.placeName, 20, 50)],
  }),
  nobody: (trouble) => ({
    id: `days/nobody ${trouble.what}`,
    code: 'days/nobody',
    severity: 'stop',
    title: 'Nobody can do this task',
    text: [
      `${trouble.what}: ${trouble.names.join(', ')} ${trouble.names.length === 1 ? 'avoids' : 'all avoid'} it or have no hours. Someone else has to do it.`,
    ],
    mends: [],
  }),
  'no-spray': (trouble) => ({
    id: 'days/no-spray',
    code: 'days/no-spray',
    severity: 'stop',
    title: 'No place to spray',
    text: [`${trouble.what} needs dry weather outside in daylight bench hours, or a place with extraction.`],
    mends: [
      {
        label: `${trouble.placeName} has extraction`,
        edit: { code: 'place/change', placeId: trouble.placeId, change: { hasExtraction: true } },
      },
    ],
  }),
  pins: (trouble) => ({
    id: 'days/pins',
    code: 'days/pins',
    severity: 'stop',
    title: 'Pins that do not work',
    text: [
      `${trouble.what} cannot be done at its pinned time: the task before it is not dry by then, or nobody is free. It is planned without the pin.`,
    ],
    mends: [
      {
        label: trouble.taskIds.length === 1 ? 'Unpin' : `Unpin ${trouble.taskIds.length} tasks`,
        edit: {
          code: 'together',
          edits: trouble.taskIds.map((taskId) => ({ code: 'task/arrange' as const, taskId, change: { pin: null }, what: 'Unpin' })),
          why: 'Unpin tasks',
        },
      },
    ],
  }),
  'too-slow': (trouble) => ({
    id: `days/too-slow ${trouble.what}`,
    code: 'days/too-slow',
    severity: 'care',
    title: 'Sets before the task is finished',
    text: [
      `${trouble.what} takes too long for any session: ${trouble.most.toLowerCase()} ends before the task is finished. Split it into smaller parts, or plan a longer session.`,
    ],
    mends: [],
  }),
  'no-time': (trouble) => ({
    id: `days/no-time ${trouble.what}`,
    code: 'days/no-time',
    severity: 'stop',
    title: 'No time for it',
    text: [
      `${trouble.what} does not fit in any session${trouble.why === 'noise' ? ' within the hours for noise, or while someone is awake to tend it' : ''}.`,
    ],
    mends: trouble.why === 'noise' ? [{ label: 'Allow noise at any hour', edit: { code: 'calendar/noise', noise: null } }] : [],
  }),
  full: (trouble) => ({
    id: `days/full ${trouble.what}`,
    code: 'days/full',
    severity: 'care',
    title: 'Not enough room',
    text: [
      `${trouble.count === 1 ? 'a task waits' : `${trouble.count} tasks wait`} for ${trouble.what}, up to ${spanText(trouble.waitMin)}.`,
    ],
    mends: [],
  }),
  fans: (trouble) => ({
    id: 'air/fans',
    code: 'air/fans',
    severity: 'care',
    title: 'Too few fans',
    text: [`${trouble.wanted} places need a fan, and there ${trouble.there === 1 ? 'is one' : `are ${trouble.there}`}.`],
    mends: [],
  }),
};
const told = (trouble: ScheduleIssue): Told => (IN_WORDS[trouble.kind] as (of: ScheduleIssue) => Told)(trouble);

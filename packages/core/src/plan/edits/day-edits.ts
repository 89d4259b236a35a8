import { upsertById } from '../../base/grouping';
import type { ArrangedTask, DryingSpot, Mended, Person, Place, Plan, TableNote } from '../plan';
import type { DoneTask } from '../workshop';
import { edit } from './edit-definition';

type Calendar = Plan['calendar'];
const placeName = (plan: Plan, placeId: string): string => plan.places.find(({ id }) => id === placeId)?.name ?? 'a place';

/** Changes to where things dry, who is at the bench, and when: what the plan of evenings is made from. */
export const dayEdits = {
  'place/add': edit<{ readonly place: Place }>(
    ({ place }) => `Add ${place.name}`,
    ({ plan }, { place }) => {
      if (plan.places.every(({ id }) => id !== place.id)) plan.places.push(place as (typeof plan.places)[number]);
    },
  ),
  'place/change': edit<{
    readonly placeId: string;
    readonly change: Partial<Omit<Place, 'id' | 'air'>>;
    readonly air?: Partial<Place['air']>;
  }>(
    ({ placeId }, plan) => `Change ${placeName(plan, placeId)}`,
    ({ plan }, { placeId, change, air }) => {
      const place = plan.places.find(({ id }) => id === placeId);
      if (place === undefined) return;
      Object.assign(place, change);
      if (air !== undefined) Object.assign(place.air, air);
    },
  ),
  /** What dried there dries at the first of the others; the last place stays. */
  'place/remove': edit<{ readonly placeId: string }>(
    ({ placeId }, plan) => `Remove ${placeName(plan, placeId)}`,
    ({ plan }, { placeId }) => {
      const others = plan.places.filter(({ id }) => id !== placeId);
      if (others.length === 0) return;
      plan.places = others;
      if (plan.drying.placeId === placeId) plan.drying.placeId = others[0]!.id;
      plan.driedAt = plan.driedAt.filter((own) => own.placeId !== placeId);
    },
  ),
  'drying/change': edit<{ readonly change: Partial<DryingSpot> }>(
    'Change where it dries',
    ({ plan }, { change }) => void Object.assign(plan.drying, change),
  ),
  'drying/workpiece': edit<{ readonly workpieceId: string; readonly spot: DryingSpot | null }>(
    ({ workpieceId }) => `Change where ${workpieceId} dries`,
    ({ plan }, { workpieceId, spot }) => {
      plan.driedAt = plan.driedAt.filter((own) => own.workpieceId !== workpieceId);
      if (spot !== null) plan.driedAt.push({ workpieceId, placeId: spot.placeId, on: spot.on, lies: spot.lies, airId: spot.airId });
    },
  ),
  'person/add': edit<{ readonly person: Person }>(
    ({ person }) => `Add ${person.name}`,
    ({ plan }, { person }) => {
      if (plan.people.every(({ id }) => id !== person.id)) plan.people.push(person as (typeof plan.people)[number]);
    },
  ),
  'person/change': edit<{ readonly personId: string; readonly change: Partial<Omit<Person, 'id'>> }>(
    ({ personId }, plan) => `Change ${plan.people.find(({ id }) => id === personId)?.name ?? 'a person'}`,
    ({ plan }, { personId, change }) => {
      const person = plan.people.find(({ id }) => id === personId);
      if (person !== undefined) Object.assign(person, change);
    },
  ),
  'person/remove': edit<{ readonly personId: string }>(
    ({ personId }, plan) => `Remove ${plan.people.find(({ id }) => id === personId)?.name ?? 'a person'}`,
    ({ plan }, { personId }) => {
      if (plan.people.length > 1) plan.people = plan.people.filter(({ id }) => id !== personId);
    },
  ),
  'kit/change': edit<{ readonly change: Partial<Plan['kit']> }>(
    'Change what is available',
    ({ plan }, { change }) => void Object.assign(plan.kit, change),
  ),
  'calendar/first-day': edit<{ readonly startsOn: string }>(
    'Change the first day',
    ({ plan }, { startsOn }) => void (plan.calendar.startsOn = startsOn),
  ),
  'calendar/hours': edit<{ readonly hours: Calendar['hours'] }>(
    'Change the bench hours',
    ({ plan }, { hours }) => void (plan.calendar.hours = hours.map((entry) => ({ ...entry }))),
  ),
  'calendar/days-off': edit<{ readonly daysOff: readonly string[] }>(
    'Change the days off',
    ({ plan }, { daysOff }) => void (plan.calendar.daysOff = [...new Set(daysOff)].sort()),
  ),
  'calendar/deadline': edit<{ readonly deadline: string | null }>(
    'Change the date it is needed by',
    ({ plan }, { deadline }) => void (plan.calendar.deadline = deadline),
  ),
  'calendar/arrange': edit<{ readonly order: readonly string[]; readonly spared: Calendar['spared'] }>(
    'Arrange the sessions',
    ({ plan }, { order, spared }) => {
      plan.calendar.order = [...order];
      plan.calendar.spared = spared.map((one) => ({ ...one }));
    },
  ),
  'calendar/noise': edit<{ readonly noise: Calendar['noise'] }>(
    'Change the hours for noise',
    ({ plan }, { noise }) => void (plan.calendar.noise = noise === null ? null : { ...noise }),
  ),
  'calendar/replan': edit<{ readonly notBefore: Calendar['notBefore'] }>(
    ({ notBefore }) => (notBefore === null ? 'Plan from the first day' : 'Reschedule from now'),
    ({ plan }, { notBefore }) => void (plan.calendar.notBefore = notBefore === null ? null : { ...notBefore }),
  ),
  'calendar/arrivals': edit<{ readonly arrivals: Calendar['arrivals'] }>(
    'Change deliveries',
    ({ plan }, { arrivals }) => void (plan.calendar.arrivals = arrivals.map((own) => ({ ...own }))),
  ),
  'calendar/busy': edit<{ readonly busy: Calendar['busy'] }>(
    ({ busy }) => (busy.length === 0 ? 'Remove busy times' : 'Import busy times'),
    ({ plan }, { busy }) => void (plan.calendar.busy = busy.map((own) => ({ ...own }))),
  ),
  /** A task pinned, put off, skipped or split; one that is as it would be anyway is no longer listed. */
  'task/arrange': edit<{ readonly taskId: string; readonly change: Partial<Omit<ArrangedTask, 'taskId'>>; readonly what: string }>(
    ({ what }) => what,
    ({ plan: { calendar } }, { taskId, change }) => {
      const before = calendar.tasks.find((own) => own.taskId === taskId);
      const after = { ...(before ?? { taskId, pin: null, notBefore: null, isSkipped: false, goes: 1 }), ...change };
      calendar.tasks = calendar.tasks.filter((own) => own.taskId !== taskId);
      if (after.pin !== null || after.notBefore !== null || after.isSkipped || after.goes > 1) calendar.tasks.push(after);
    },
  ),
  /** A task, or a part of it, is done; what was said of it before is said anew. */
  'task/tick': edit<{ readonly taskId: string; readonly task: DoneTask; readonly what: string }>(
    ({ what }) => what,
    ({ record }, { taskId, task }) => {
      const part = task.part === null ? null : { ...task.part };
      record.doneTasks[taskId] = { ...task, at: { ...task.at }, part, uses: task.uses.map((one) => ({ ...one })) };
    },
  ),
  'task/untick': edit<{ readonly taskId: string; readonly what: string }>(
    ({ what }) => what,
    ({ record }, { taskId }) => void Reflect.deleteProperty(record.doneTasks, taskId),
  ),
  'mend/add': edit<{ readonly mend: Mended }>(
    ({ mend }) => `Plan: ${mend.name}`,
    ({ plan }, { mend }) => {
      const [coating, adhesive] = [
        mend.coating === null ? null : { ...mend.coating },
        mend.adhesive === null ? null : { ...mend.adhesive },
      ];
      if (plan.mends.every(({ id }) => id !== mend.id)) plan.mends.push({ ...mend, coating, adhesive });
    },
  ),
  'mend/remove': edit<{ readonly mendId: string }>(
    ({ mendId }, plan) => `Remove: ${plan.mends.find(({ id }) => id === mendId)?.name ?? 'a fix'}`,
    ({ plan }, { mendId }) => void (plan.mends = plan.mends.filter(({ id }) => id !== mendId)),
  ),
  /** Something seen while playing is pinned on the plan, or said otherwise. */
  'table-note/put': edit<{ readonly note: TableNote }>(
    ({ note }) => (note.isDone ? `Settled: ${note.words}` : `Pin a note: ${note.words}`),
    ({ plan }, { note }) => void (plan.tableNotes = upsertById(plan.tableNotes, { ...note, at: { ...note.at } })),
  ),
  'table-note/remove': edit<{ readonly noteId: string }>(
    'Remove a note from the table',
    ({ plan }, { noteId }) => void (plan.tableNotes = plan.tableNotes.filter(({ id }) => id !== noteId)),
  ),
};

import { format } from 'date-fns';
import { v4 as uuid } from 'uuid';
import type { AirAt } from '@spare-acre/core/schedule/air';
import { cutText } from '@spare-acre/core/base/text';
import { minutesAt } from '@spare-acre/core/base/dates';
import { notedAir, dryingPlacesOf } from '@spare-acre/core/schedule/drying';
import type { LogEntry } from '@spare-acre/core/learning/logbook';
import { useAir } from './air';
import { useCatalogue } from './catalogue';
import { useClock } from '../bench/clock';
import { usePlan } from '../board/plan';

/** The air where a workpiece dries at this hour: as a thermo-hygrometer has it where one is heard, else as the plan does. */
export function airNow(workpieceId: string | null): AirAt {
  const { places, drying, driedAt, calendar } = usePlan().plan!;
  const catalogue = useCatalogue().inUse!;
  const spots = dryingPlacesOf({ places, drying, driedAt, startsOn: calendar.startsOn, airs: useAir().airs, catalogue });
  const now = new Date(useClock().now());
  return notedAir(
    spots,
    workpieceId,
    minutesAt(calendar.startsOn, { day: format(now, 'yyyy-MM-dd'), atMin: now.getHours() * 60 + now.getMinutes() }),
  );
}

/** An entry of the log as of today, with the air where it was done. */
export function newEntry(said: Pick<LogEntry, 'name' | 'who'> & Partial<LogEntry>, workpieceId: string | null): LogEntry {
  return {
    id: uuid(),
    taskId: null,
    day: useClock().today(),
    figures: [],
    photoIds: [],
    mishap: null,
    ...said,
    name: cutText(said.name, 160),
    note: cutText(said.note ?? '', 2_000),
    air: said.air ?? airNow(workpieceId),
  };
}

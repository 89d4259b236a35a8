import { format, parseISO } from 'date-fns';

/** A day as the calendar on this machine's wall has it: `2026-11-28`. */
export const today = (): string => format(new Date(), 'yyyy-MM-dd');

/** `28 Nov 2026`. @param iso with its zone */
export const dayText = (iso: string): string => format(parseISO(iso), 'd MMM yyyy');

/** A moment as the clock on this machine's wall had it: `Sat 28 Nov, 14:20`. @param iso with its zone */
export const clockText = (iso: string): string => format(parseISO(iso), 'EEE d MMM, HH:mm');

/** The time on this machine's wall: `19:45`. */
export const clockAt = (ms: number): string => format(new Date(ms), 'HH:mm');

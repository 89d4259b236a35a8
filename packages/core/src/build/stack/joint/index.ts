export type { BaseLayer, Face, Joint } from './joint';

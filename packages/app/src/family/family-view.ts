import type { AnyPlate, CutawayKind } from '@holvek/core';
import type { Scheme } from './scheme';
import type { Units } from '@/units/use-units';

/** What drives a valve's body, as its glyph shows it, and which side it senses. */
export type LineGlyphShape = {
  readonly top: 'dome' | 'spring' | 'positioner' | 'electronics';
  readonly senses?: 'inlet' | 'outlet' | 'both';
  readonly isRelief?: boolean;
};

/** What the screens need to know of a family beyond its facts. */
export type FamilyView<P extends AnyPlate = AnyPlate> = {
  readonly glyph: 'pointer' | LineGlyphShape;
  /** Its own line, with everything that a valve of it may have. */
  readonly scheme: Scheme;
  /** Fittings that this plate lacks: they are left away, with the ways to them. */
  readonly lacks?: (plate: P) => readonly string[];
  /** Which cutaway shows how it works. */
  readonly cutaway?: CutawayKind;
  /** What only this family's plate says. */
  readonly rows?: (plate: P, units: Units) => readonly (readonly [string, string])[];
  /** What standing wide open means, and what not to do about it. */
  readonly wideOpen?: { readonly title: string; readonly say: string };
  /** Which spring is in belongs on the sheet. */
  readonly namesSpring?: boolean;
  /** What it does with its signal, before its range. */
  readonly shows?: string;
};

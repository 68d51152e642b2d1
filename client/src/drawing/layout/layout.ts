/** Where everything of the drawing stands, in drawing units, for 1 to 7 cylinders. Pure arithmetic, tested apart. */

export const width = 1000;
export const height = 552;
/** The narrowest the drawing is ever shown, in pixels: below it is scrolled, not shrunk. */
export const narrowest = 800;
const smallestScale = narrowest / width;
/** A gloved finger at the smallest scale: 44 px. */
const finger = Math.ceil(44 / smallestScale);

export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface Column {
  cylinder: number;
  x: number;
  discharge: Box;
  inlet: Box;
  plunger: { x: number; y: number; r: number };
}

/** Places where something is entered. Each has a field of its own for its tags, so tags cannot meet. */
export type Place = 'gauge' | 'nozzle' | 'bypass' | 'control' | 'crank' | 'inlet' | 'supply' | 'caps' | 'weep';

export interface Field extends Box {
  place: Place;
  /** Which end the tags gather at. */
  from: 'left' | 'right';
}

const left = 225;
const right = 640;
const widestPitch = 138;
export const dischargeY = 162;
export const plungerY = 306;
export const inletY = 446;
export const valve = { discharge: 194, inlet: 362, height: 54 };

/** Two ends with their drive between them: oil of an intensifier, the crank of a twin piston. */
export const endPitch = 290;
export const backToBack = (arrangement: string): boolean => ['intensifier', 'twin-piston'].includes(arrangement);

export function columns(cylinders: number, arrangement = 'crank-plunger'): Column[] {
  const pitch = backToBack(arrangement) ? endPitch : Math.min(widestPitch, (right - left) / cylinders);
  const start = (left + right) / 2 - (pitch * (cylinders - 1)) / 2;
  const half = Math.min(30, pitch / 2 - 2);
  return Array.from({ length: cylinders }, (_, i) => {
    const x = start + i * pitch;
    return {
      cylinder: i + 1,
      x,
      discharge: { x: x - half, y: valve.discharge, w: 2 * half, h: valve.height },
      inlet: { x: x - half, y: valve.inlet, w: 2 * half, h: valve.height },
      plunger: { x, y: plungerY, r: Math.min(38, pitch / 2 - 2) },
    };
  });
}

/** The drive of a pump whose crank or plate stands beside its cylinders. */
export const drive: Box = { x: 656, y: 288, w: 134, h: 58 };

/** What stands beside the pump, where it is fitted. */
export const fittings = {
  dampener: { x: 738, y: 116, w: 44, h: 44 },
  relief: { x: 838, y: 186, w: 44, h: 44 },
  hose: { x: 890, y: 184, w: 44, h: 44 },
  inletInjector: { x: 182, y: 388, w: 44, h: 44 },
  outletInjector: { x: 800, y: 116, w: 44, h: 44 },
} satisfies Record<string, Box>;

export function fields(hasControl: boolean): Field[] {
  const all: Field[] = [
    { place: 'caps', x: 8, y: 124, w: 208, h: 115, from: 'left' },
    { place: 'weep', x: 8, y: 272, w: 208, h: 115, from: 'left' },
    { place: 'gauge', x: 232, y: 1, w: 488, h: 115, from: 'left' },
    { place: 'nozzle', x: 728, y: 1, w: 264, h: 115, from: 'right' },
    { place: 'crank', x: 655, y: 173, w: hasControl ? 158 : 180, h: 115, from: 'left' },
    { place: 'inlet', x: 232, y: 466, w: 420, h: 58, from: 'left' },
    { place: 'supply', x: 66, y: 478, w: 160, h: 58, from: 'left' },
  ];
  if (!hasControl) return all;
  return [
    ...all,
    { place: 'control', x: 655, y: 346, w: 136, h: 115, from: 'left' },
    { place: 'bypass', x: 838, y: 412, w: 160, h: 115, from: 'left' },
  ];
}

/** What a finger may hit of a part: the part, grown round its middle to the width of a gloved finger. */
export function reach(box: Box): Box {
  const [w, h] = [Math.max(box.w, finger), Math.max(box.h, finger)];
  return { x: box.x - (w - box.w) / 2, y: box.y - (h - box.h) / 2, w, h };
}

/** Width of a plate with so many characters of 18-unit monospaced figures on it. */
export const plateWidth = (text: string): number => text.length * 11 + 12;

/** A field as wide and high as it is at its smallest, in pixels. */
export const pixels = (field: Box): { wide: number; high: number } => ({
  wide: field.w * smallestScale,
  high: field.h * smallestScale,
});

/** True where two boxes share an area. */
export function meet(a: Box, b: Box): boolean {
  return a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
}

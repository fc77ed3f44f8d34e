/** The colours of one theme. `brass` belongs to the alarm and to what can be acted on; nothing is told by colour alone. */
export interface Paint {
  readonly mode: 'light' | 'dark';
  readonly ground: string;
  readonly panel: string;
  readonly ink: string;
  readonly quiet: string;
  readonly rule: string;
  readonly brass: string;
  readonly onBrass: string;
  readonly vermilion: string;
  readonly ochre: string;
  readonly water: string;
  readonly surface: string;
  readonly earth: string;
  readonly wall: string;
  readonly steel: string;
  readonly float: string;
  readonly onFloat: string;
}

export type ThemeName = 'chalk' | 'night' | 'daylight';

export const THEME_NAMES: Readonly<Record<ThemeName, string>> = {
  chalk: 'chalk',
  night: 'night van',
  daylight: 'daylight',
};

export const PAINT: Readonly<Record<ThemeName, Paint>> = {
  chalk: {
    mode: 'light',
    ground: '#F3F1EA',
    panel: '#FAF9F5',
    ink: '#1D2B33',
    quiet: '#4B585E',
    rule: '#CBC6B8',
    brass: '#84590A',
    onBrass: '#FFFFFF',
    vermilion: '#B83214',
    ochre: '#A8720A',
    water: '#2F7A80',
    surface: '#134A52',
    earth: '#8C8471',
    wall: '#A9A392',
    steel: '#6B7B83',
    float: '#FFF6DF',
    onFloat: '#1D2B33',
  },
  night: {
    mode: 'dark',
    ground: '#10171B',
    panel: '#182227',
    ink: '#ECE8DC',
    quiet: '#AEB8BA',
    rule: '#36444B',
    brass: '#E3B34F',
    onBrass: '#1A1305',
    vermilion: '#FF8163',
    ochre: '#DDA540',
    water: '#256D75',
    surface: '#7FC4C8',
    earth: '#79745F',
    wall: '#4D4F4B',
    steel: '#8FA0A8',
    float: '#F6E7BD',
    onFloat: '#10171B',
  },
  daylight: {
    mode: 'light',
    ground: '#FFFFFF',
    panel: '#FFFFFF',
    ink: '#000000',
    quiet: '#24292C',
    rule: '#6B6B6B',
    brass: '#5C3D00',
    onBrass: '#FFFFFF',
    vermilion: '#9A1600',
    ochre: '#7A5000',
    water: '#2A6C73',
    surface: '#00282D',
    earth: '#4F4A3E',
    wall: '#6C685C',
    steel: '#3D484D',
    float: '#FFFFFF',
    onFloat: '#000000',
  },
};

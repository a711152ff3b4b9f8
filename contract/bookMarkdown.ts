import { bookAttires, drillPartners, placeRoles, stances } from '@lean-mentor/core/book';
import { bodyParts, bodySides, burdens, cautionClasses } from '@lean-mentor/core/care';
import { readBookFile, type BookFile, type ReadBook } from './bookFile.ts';

type Principle = BookFile['principles'][number];
type Drill = BookFile['drills'][number];

const sections = {
  'What good looks like': 'good',
  Why: 'why',
  'What to do': 'variants',
  'Common errors': 'errors',
  Drills: 'drills',
  Clips: 'clips',
} as const;
type Section = (typeof sections)[keyof typeof sections];

const listed = (values: readonly string[]): string => values.join('; ');
const fact = (name: string, value: string | number): string[] => (value === '' ? [] : [`- ${name}: ${value}`]);
const bullets = (title: keyof typeof sections, rows: readonly string[]): string[] =>
  rows.length === 0 ? [] : ['', `### ${title}`, '', ...rows.map((row) => `- ${row}`)];
const prose = (title: keyof typeof sections, words: string): string[] => (words === '' ? [] : ['', `### ${title}`, '', words]);

/** "left knee (twisted, pressed)". */
const loadWords = ({ part, side, burdens: asked }: Principle['loads']['doer'][number]): string =>
  `${side ? `${side} ` : ''}${part}${asked && asked.length > 0 ? ` (${asked.join(', ')})` : ''}`;
const careFacts = ({ caution, loads, attire }: Pick<Principle, 'caution' | 'loads' | 'attire'>): string[] => [
  ...fact('caution', caution),
  ...fact('asks', listed(loads.doer.map(loadWords))),
  ...fact('asks of the other', listed(loads.partner.map(loadWords))),
  ...fact('attire', attire),
];

const variantText = ({ when, do: what, spares, stance }: Principle['variants'][number]): string =>
  `${when ? `If ${when}: ` : ''}${what}${spares.length > 0 ? ` (spares: ${spares.join(', ')})` : ''}${stance === 'taught' ? '' : ` (${stance})`}`;

const principleText = (principle: Principle): string =>
  [
    `## Principle: ${principle.name}`,
    '',
    ...fact('area', principle.area),
    ...fact('cue', principle.cue),
    ...fact('level', principle.level),
    ...careFacts(principle),
    ...fact('where', listed(principle.where.map(({ position, role }) => `${position} (${role})`))),
    ...fact('chances', principle.chances),
    ...fact('rests on', listed(principle.rests)),
    ...fact('techniques', listed(principle.techniques)),
    ...prose('What good looks like', principle.good),
    ...prose('Why', principle.why),
    ...bullets('What to do', principle.variants.map(variantText)),
    ...bullets('Common errors', principle.errors),
    ...bullets('Drills', principle.drills),
    ...bullets('Clips', principle.clips),
  ].join('\n');

const drillText = (drill: Drill): string =>
  [
    `## Drill: ${drill.name}`,
    '',
    ...fact('partner', drill.partner),
    ...fact('equipment', drill.equipment),
    ...fact('minutes', drill.minutes),
    ...careFacts(drill),
    ...(drill.how === '' ? [] : ['', drill.how]),
  ].join('\n');

/**
 * A book as Markdown: a heading for each entry, its facts as a list, what it says under headings of their own. `readBookMarkdown` reads it
 * back.
 */
export const bookMarkdown = ({ principles, drills }: BookFile): string =>
  `${['# The book', ...principles.map(principleText), ...drills.map(drillText)].join('\n\n')}\n`;

const split = (value: string): string[] =>
  value
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean);

function placeOf(words: string): { position: string; role: string } {
  const [, position, role] = /^(\S+)\s*(?:\((\w+)\))?$/.exec(words) ?? [];
  return { position: position ?? words, role: role ?? 'either' };
}

function variantOf(words: string): { when: string; do: string; spares: string[]; stance: string } {
  const [, body, spared, stance] = new RegExp(`^(.*?)\\s*(?:\\(spares: ([a-z, ]+)\\))?\\s*(?:\\((${stances.join('|')})\\))?$`, 's').exec(
    words,
  )!;
  const [, when, what] = /^If (.+?): (.+)$/s.exec(body!) ?? [];
  return { when: when ?? '', do: what ?? body!, spares: spared?.split(',').map((part) => part.trim()) ?? [], stance: stance ?? 'taught' };
}

/** Parts are parted by semicolons, what is asked of one by commas. */
const loadsOfWords = (value: string): { part: string; side: string | null; burdens?: string[] }[] =>
  split(value).map((words) => {
    const [, side, part, asked] = new RegExp(`^(?:(${bodySides.join('|')}) )?(\\S+)(?:\\s*\\((.*)\\))?$`).exec(words) ?? [];
    return { part: part ?? words, side: side ?? null, ...(asked && { burdens: asked.split(',').map((one) => one.trim()) }) };
  });

/** What care needs, of principles and drills alike. A fact that adds to what was read before gets the entry. */
const careFactsOf = {
  caution: (value: string) => ({ caution: value }),
  asks: (value: string, { loads }: Loaded) => ({ loads: { partner: [], ...loads, doer: loadsOfWords(value) } }),
  'asks of the other': (value: string, { loads }: Loaded) => ({ loads: { doer: [], ...loads, partner: loadsOfWords(value) } }),
  attire: (value: string) => ({ attire: value }),
};
interface Loaded {
  loads?: { doer: unknown[]; partner: unknown[] };
}

const facts = {
  principle: {
    area: (value: string) => ({ area: value }),
    cue: (value: string) => ({ cue: value }),
    level: (value: string) => ({ level: Number(value) }),
    ...careFactsOf,
    where: (value: string) => ({ where: split(value).map(placeOf) }),
    chances: (value: string) => ({ chances: value }),
    'rests on': (value: string) => ({ rests: split(value) }),
    techniques: (value: string) => ({ techniques: split(value) }),
  },
  drill: {
    partner: (value: string) => ({ partner: value }),
    equipment: (value: string) => ({ equipment: value }),
    minutes: (value: string) => ({ minutes: Number(value) }),
    ...careFactsOf,
  },
} as const;

/** What facts may be, for the sentence that says so. */
const allowed: Readonly<Record<string, readonly string[]>> = {
  ...{ caution: cautionClasses, partner: drillPartners, where: placeRoles, attire: bookAttires },
  loads: [...bodyParts, ...burdens],
};

interface Entry {
  kind: 'principle' | 'drill';
  line: number;
  of: Record<string, unknown> & { name: string };
}

/** Collects entries line by line; `faults` name the line. */
class Reader {
  readonly entries: Entry[] = [];
  readonly faults: string[] = [];
  private section: Section | 'facts' | null = null;

  take(line: string, at: number): void {
    const heading = /^##\s+(?:(Principle|Drill):\s*)?(.*)$/.exec(line);
    if (heading && !line.startsWith('###')) return this.begin(heading[1], heading[2]!.trim(), at);
    const entry = this.entries.at(-1);
    if (!entry) {
      if (line.trim() && !/^#\s/.test(line)) this.faults.push(`Line ${at}: “${line.trim().slice(0, 40)}” stands before any entry.`);
      return;
    }
    const title = /^###\s+(.*)$/.exec(line)?.[1]?.trim();
    if (title !== undefined) return this.beginSection(title, entry, at);
    if (line.trim()) this.fill(line, entry, at);
    else if (typeof entry.of[this.textField(entry) ?? ''] === 'string') this.append(entry, '\n');
  }

  private begin(kind: string | undefined, name: string, at: number): void {
    if (!kind || !name) this.faults.push(`Line ${at}: an entry begins “## Principle: its name” or “## Drill: its name”.`);
    this.entries.push({ kind: kind === 'Drill' ? 'drill' : 'principle', line: at, of: { name } });
    this.section = 'facts';
  }

  private beginSection(title: string, entry: Entry, at: number): void {
    const known = (sections as Record<string, Section>)[title];
    if (!known || entry.kind === 'drill')
      this.faults.push(
        `Line ${at}: “${title}” is not a part of a ${entry.kind}; the parts of a principle are ${Object.keys(sections).join(', ')}.`,
      );
    this.section = known ?? null;
    if (known && known !== 'good' && known !== 'why') entry.of[known] ??= [];
  }

  private textField(entry: Entry): 'good' | 'why' | 'how' | null {
    if (this.section === 'good' || this.section === 'why') return this.section;
    return entry.kind === 'drill' ? 'how' : null;
  }

  private append(entry: Entry, words: string): void {
    const field = this.textField(entry)!;
    const before = entry.of[field] as string | undefined;
    entry.of[field] =
      before === undefined ? words : words === '\n' ? `${before}\n` : before.endsWith('\n') ? `${before}\n${words}` : `${before} ${words}`;
  }

  private fill(line: string, entry: Entry, at: number): void {
    const bullet = /^-\s+(.*)$/.exec(line)?.[1]?.trim();
    if (this.section === 'facts' && bullet !== undefined) return this.fact(bullet, entry, at);
    if (this.textField(entry)) return this.append(entry, line.trim());
    if (bullet === undefined || this.section === null || this.section === 'facts')
      this.faults.push(`Line ${at}: “${line.trim().slice(0, 40)}” is neither a fact nor a point of a list (“- …”).`);
    else (entry.of[this.section] as unknown[]).push(this.section === 'variants' ? variantOf(bullet) : bullet);
  }

  private fact(bullet: string, entry: Entry, at: number): void {
    const [, name, value] = /^([\w ]+?):\s*(.*)$/.exec(bullet) ?? [];
    const known = name && (facts[entry.kind] as Record<string, (value: string, entry: Loaded) => object>)[name];
    if (!known)
      this.faults.push(
        `Line ${at}: “${bullet.slice(0, 40)}” is no fact of a ${entry.kind}; those are ${Object.keys(facts[entry.kind]).join(', ')}.`,
      );
    else Object.assign(entry.of, known(value!, entry.of as Loaded));
  }
}

/** Where in the text a fault of the schema belongs: the line of its entry instead of a number in a list. */
function atLine(fault: string, entries: readonly Entry[]): string {
  const [, list, index, field, rest] = /^(principles|drills)\[(\d+)\](?:\.(\w+))?\S*(.*)$/s.exec(fault) ?? [];
  if (!list) return fault;
  const entry = entries.filter(({ kind }) => `${kind}s` === list)[Number(index)]!;
  const choices = allowed[field ?? ''];
  return `Line ${entry.line}: ${field ?? 'the entry'} of “${entry.of.name}”${rest}${choices ? ` It is one of ${choices.join(', ')}.` : ''}`;
}

/** Reads a book from Markdown as `bookMarkdown` writes it; every fault with its line. */
export function readBookMarkdown(markdown: string): ReadBook {
  const reader = new Reader();
  markdown.split(/\r?\n/).forEach((line, i) => reader.take(line, i + 1));
  const of = (kind: Entry['kind']) =>
    reader.entries
      .filter((entry) => entry.kind === kind)
      .map(({ of: fields }) =>
        Object.fromEntries(Object.entries(fields).map(([key, value]) => [key, typeof value === 'string' ? value.trim() : value])),
      );
  const read = readBookFile({ format: 'lean-mentor/book@1', principles: of('principle'), drills: of('drill') });
  const faults = [...reader.faults, ...('faults' in read ? read.faults.map((fault) => atLine(fault, reader.entries)) : [])];
  return faults.length > 0 ? { faults } : read;
}

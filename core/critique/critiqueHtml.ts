import { assertNever } from '../never/index.ts';
import { fixBlocks, type Block, type CritiqueDoc, type Inline, type MomentBlock, type TakeBlock } from './critiqueDoc.ts';

/** Paths of what a page shows, beside it in one folder. */
export interface PageFiles {
  moment: (attrs: MomentBlock['attrs']) => { words: string; still: string | null; clip: string | null; track: string | null };
  clip: (clipId: string) => { title: string; video: string | null };
  /** What is said, line by line, its title first; as a film, and its voice alone. */
  take: (attrs: TakeBlock['attrs']) => { lines: readonly string[]; film: string | null; sound: string | null };
}

const entities: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string): string => text.replace(/[&<>"]/g, (char) => entities[char]!);

const inlineHtml = (content: readonly Inline[] = []): string =>
  content
    .map((inline) => {
      if (inline.type === 'hardBreak') return '<br>';
      return (inline.marks ?? []).reduce(
        (inside, { type }) => (type === 'bold' ? `<strong>${inside}</strong>` : `<em>${inside}</em>`),
        escaped(inline.text),
      );
    })
    .join('');

function blockHtml(block: Block, files: PageFiles, numbers: ReadonlyMap<Block, number>): string {
  const paragraphs = (content: readonly { content?: Inline[] }[]): string =>
    content.map((one) => `<p>${inlineHtml(one.content)}</p>`).join('');
  switch (block.type) {
    case 'paragraph':
      return block.content?.length ? `<p>${inlineHtml(block.content)}</p>` : '';
    case 'heading':
      return `<h${block.attrs.level}>${inlineHtml(block.content)}</h${block.attrs.level}>`;
    case 'bulletList':
    case 'orderedList': {
      const tag = block.type === 'bulletList' ? 'ul' : 'ol';
      return `<${tag}>${block.content.map((item) => `<li>${item.content.map((one) => inlineHtml(one.content)).join('<br>')}</li>`).join('')}</${tag}>`;
    }
    case 'blockquote':
      return `<blockquote>${paragraphs(block.content)}</blockquote>`;
    case 'caution':
      return `<div class="caution">${paragraphs(block.content)}</div>`;
    case 'moment': {
      const { words, still, clip, track } = files.moment(block.attrs);
      const { show, heard } = block.attrs;
      const sounds = heard
        ? `controls playsinline>${track ? `<track kind="captions" srclang="en" label="What is heard" default src="${escaped(track)}">` : ''}`
        : 'controls loop muted playsinline>';
      const shown =
        clip && show === 'clip' ? `<video src="${escaped(clip)}" ${still ? `poster="${escaped(still)}"` : ''} ${sounds}</video>` : '';
      const picture = still ? `<img src="${escaped(still)}" alt="${escaped(words)}">` : '';
      return `<figure>${picture}${shown}<figcaption>${escaped(words)}${shown && heard ? `<br>Heard: ${escaped(heard)}` : ''}</figcaption></figure>`;
    }
    case 'bookClip': {
      const { title, video } = files.clip(block.attrs.clipId);
      return `<figure>${video ? `<video src="${escaped(video)}" controls loop muted playsinline></video>` : ''}<figcaption>${escaped(title)}</figcaption></figure>`;
    }
    case 'take': {
      const { lines, film, sound } = files.take(block.attrs);
      const [title = '', ...said] = lines;
      const picture = film ? `<video src="${escaped(film)}" controls playsinline preload="metadata"></video>` : '';
      const voice = sound && !film ? `<audio src="${escaped(sound)}" controls preload="metadata"></audio>` : '';
      return `<figure>${picture}${voice}<figcaption>Spoken: ${escaped(title)}</figcaption>${said.map((line) => `<p>${escaped(line)}</p>`).join('')}</figure>`;
    }
    case 'fix':
      return `<section><h2><span>${numbers.get(block)}</span> ${escaped(block.attrs.name)}</h2>${block.content.map((one) => blockHtml(one, files, numbers)).join('')}</section>`;
    default:
      return assertNever(block);
  }
}

const style = `body{font:17px/1.5 system-ui,sans-serif;color:#1e2320;background:#f5f1e6;max-width:40rem;margin:2rem auto;padding:0 1rem}
h1{font-size:1.6rem}h2{border-top:1px solid #1e2320;padding-top:.4rem;font-size:1.1rem}h3{color:#6b6f5f;font-size:.95rem;margin-bottom:.2rem}
section>h2 span{font-size:1.6rem;margin-right:.5rem}figure{margin:.6rem 0}img,video{width:100%;display:block;margin-bottom:.3rem}
figcaption,.closing{color:#6b6f5f;font-size:.85rem}.caution{border-left:4px solid #a8322a;padding-left:.8rem;font-size:.9rem}ol{padding-left:1.4rem}
audio{width:100%}@media print{body{background:#fff}video,audio{display:none}img{max-width:8cm}}`;

/** A critique as a page of its own that needs nothing but the files beside it. `closing`: lines after its last word. */
export function critiqueHtml(doc: CritiqueDoc, title: string, files: PageFiles, closing: readonly string[] = []): string {
  const numbers = new Map<Block, number>(fixBlocks(doc).map((block, i) => [block, i + 1]));
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escaped(title)}</title><style>${style}</style></head>
<body><h1>${escaped(title)}</h1>
${doc.content
  .map((block) => blockHtml(block, files, numbers))
  .filter(Boolean)
  .join('\n')}
${closing.map((line) => `<p class="closing">${escaped(line)}</p>`).join('\n')}
</body></html>
`;
}

import { Mark, mergeAttributes, Node } from '@tiptap/core';
import { writeFormula } from './formula';

const file = {
  default: null,
  parseHTML: (element: HTMLElement) => Number(element.dataset.file) || null,
  renderHTML: ({ file: id }: { file?: number }) => ({ 'data-file': `${id}` }),
};

export interface Addresses {
  /** Where a file is found by whoever writes. */
  address: (file: number) => string;
}

/** A picture of the course's files, with what it shows in words. */
export const Picture = Node.create<Addresses>({
  name: 'picture',
  group: 'block',
  atom: true,
  draggable: true,
  addOptions: () => ({ address: () => '' }),
  addAttributes: () => ({ file, alt: { default: '' } }),
  parseHTML: () => [{ tag: 'img[data-file]' }],
  renderHTML: ({ HTMLAttributes }) => ['img', HTMLAttributes],
  addNodeView() {
    return ({ node }) => {
      const dom = document.createElement('img');
      dom.src = this.options.address(node.attrs.file as number);
      dom.alt = node.attrs.alt as string;
      return { dom };
    };
  },
});

/** A film of the course's files, in the text. */
export const FilmInText = Node.create<Addresses>({
  name: 'filmInText',
  group: 'block',
  atom: true,
  draggable: true,
  addOptions: () => ({ address: () => '' }),
  addAttributes: () => ({
    file,
    name: {
      default: '',
      parseHTML: (element: HTMLElement) => element.getAttribute('aria-label') ?? '',
      renderHTML: ({ name }: { name?: string }) => ({ 'aria-label': name ?? '' }),
    },
  }),
  parseHTML: () => [{ tag: 'video[data-file]' }],
  renderHTML: ({ HTMLAttributes }) => ['video', HTMLAttributes],
  addNodeView() {
    return ({ node }) => {
      const dom = document.createElement('video');
      dom.src = this.options.address(node.attrs.file as number);
      dom.controls = true;
      dom.preload = 'metadata';
      dom.setAttribute('aria-label', node.attrs.name as string);
      return { dom };
    };
  },
});

/** A file to save, by its name in the text. */
export const FileInText = Node.create({
  name: 'fileInText',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({
    file,
    name: {
      default: '',
      parseHTML: (element: HTMLElement) => element.textContent ?? '',
      renderHTML: () => ({}),
    },
  }),
  parseHTML: () => [{ tag: 'a[data-file]', priority: 60 }],
  renderHTML: ({ node, HTMLAttributes }) => ['a', HTMLAttributes, node.attrs.name as string],
});

/** A formula, kept as the LaTeX that it is written in. */
export const Formula = Node.create({
  name: 'formula',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({
    source: {
      default: '',
      parseHTML: (element: HTMLElement) => element.dataset.formula ?? '',
      renderHTML: ({ source }: { source?: string }) => ({ 'data-formula': source ?? '' }),
    },
  }),
  parseHTML: () => [{ tag: 'span[data-formula]' }],
  renderHTML: ({ node, HTMLAttributes }) => ['span', HTMLAttributes, node.attrs.source as string],
  addNodeView() {
    return ({ node }) => {
      const dom = document.createElement('span');
      dom.textContent = node.attrs.source as string;
      void writeFormula(dom, node.attrs.source as string);
      return { dom };
    };
  },
});

const plainMark = (name: string, tag: string, key: string) =>
  Mark.create({
    name,
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, mergeAttributes(HTMLAttributes), 0],
    addKeyboardShortcuts() {
      return { [key]: () => this.editor.commands.toggleMark(name) };
    },
  });

export const Low = plainMark('low', 'sub', 'Mod-,');
export const High = plainMark('high', 'sup', 'Mod-.');

/**
 * Quillmoor's garden journal: plain HTML with a style of its own, which takes the shop's search in. Its odd base size and
 * its rules for every button are there on purpose: nothing of them may come into the shop's elements.
 * @param key the store's public key.
 * @param server where the shop is; empty for the same server.
 */
export function journalPage(key: string, server: string): string {
  return `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>The Quillmoor garden journal</title>
    <style>
      html { font-size: 62.5%; }
      body { margin: 0 auto; max-width: 108rem; padding: 0 2.4rem 6rem; font: 1.8rem/2.9rem Georgia, serif; color: #33291f; background: #fbf3e4; }
      header { display: flex; flex-wrap: wrap; gap: 1.6rem 3.2rem; align-items: center; padding: 2.4rem 0; border-bottom: 3px double #b59a72; }
      header h1 { margin: 0; font-size: 2.6rem; font-style: italic; font-weight: 400; }
      header clever-shelf-box { flex: 1 1 32rem; }
      h2 { font-weight: 400; font-style: italic; font-size: 2.8rem; }
      p { max-width: 68rem; }
      button { background: tomato; text-transform: uppercase; padding: 2rem; }
      .columns { display: grid; grid-template-columns: 22rem minmax(0, 1fr); gap: 3.2rem; }
      @media (max-width: 70rem) { .columns { grid-template-columns: minmax(0, 1fr); } }
      clever-shelf-results::part(title) { font-style: italic; }
    </style>
    <script type="module" src="${server}/embed/shelf.js" data-key="${key}" data-product="${server}/shop/quillmoor/product/{id}" data-category="${server}/shop/quillmoor/category/{path}" data-guide="${server}/shop/quillmoor/guide/{id}"></script>
  </head>
  <body>
    <header>
      <h1>The Quillmoor garden journal</h1>
      <clever-shelf-box></clever-shelf-box>
    </header>
    <main>
      <div class="columns">
        <clever-shelf-filters></clever-shelf-filters>
        <clever-shelf-results></clever-shelf-results>
      </div>
      <article>
        <h2>When the last leaves are down</h2>
        <p>November is for looking. The borders are plain, the paths are wet, and what is missing shows. Walk round with a
          notebook before the first hard frost, and write down where you stood in June and wished for something blue.</p>
        <p>Lavender planted now sulks until April and then makes up for it. If you have books to read by the stove instead, look
          among ours:</p>
        <clever-shelf-box group="books" category="Books" results="layer"></clever-shelf-box>
        <h2>Planted beside lavender</h2>
        <clever-shelf-related product="P-00001"></clever-shelf-related>
      </article>
    </main>
  </body>
</html>
`;
}

"use strict";
// Search through the words of all pages. Pages are whole without it.
(() => {
  const form = document.querySelector("form[role=search]");
  const input = document.getElementById("page-search");
  const found = document.getElementById("page-found");
  const up = document.body.dataset.up;
  const SMALL = new Set("a an and are as at be by do for from how i in into is it its me my of on or that the this to what when where which with without".split(" "));

  // the same word in its forms: runs, running, run
  const stem = word => word.length < 4 ? word
    : word.replace(/iz(?=e|i|a)/, "is").replace(/ies$/, "y").replace(/(?:ations?|ments?|ings?|ers?|ed|es|e|s)$/, "")
      .replace(/([gnpmt])\1$/, "$1");
  const words = text => text.toLowerCase().split(/[^\w.@$*]+/).filter(word => word && !SMALL.has(word));
  const entries = WORDS.map(([title, url, heading, text, task]) => ({
    title, url, heading,
    of: [[words(title), 4], [words(heading), 8], [words(task), 12], [words(text), 1]]
      .map(([all, weight]) => [new Set(all.map(stem)), weight, all.length]),
  }));

  // a word that is everywhere says little
  const counts = new Map();
  for (const entry of entries) {
    for (const word of new Set(entry.of.flatMap(([all]) => [...all]))) counts.set(word, (counts.get(word) || 0) + 1);
  }
  const rarity = word => Math.log(entries.length / (counts.get(word) || 1)) + .2;

  const score = (entry, asked) => {
    let sum = 0, hit = 0, whole = 0;
    for (const word of asked) {
      let best = 0;
      const rare = rarity(word);
      whole += rare;
      for (const [all, weight, length] of entry.of) {
        let worth = 0;
        if (all.has(word)) {
          worth = weight;
        } else if (word.length > 3) {
          for (const one of all) {
            if (one.startsWith(word)) { worth = weight * .6; break; }
          }
        }
        // a heading that says just that is worth more than a long one
        if (worth > 0) best = Math.max(best, worth * (1 + 1 / (1 + length)));
      }
      sum += best * rare;
      if (best > 0) hit += rare;
    }
    return asked.length && hit ? sum * (hit / whole) ** 2 : 0;
  };

  const search = text => {
    const asked = [...new Set(words(text).map(stem))];
    const pages = new Set();
    return entries
      .map(entry => ({ entry, score: score(entry, asked) }))
      .filter(one => one.score > 0)
      .sort((a, b) => b.score - a.score)
      .filter(({ entry }) => {
        const known = pages.has(entry.url);
        pages.add(entry.url);
        return !known && !/^index\.html/.test(entry.url);
      })
      .slice(0, 8)
      .map(({ entry }) => entry);
  };

  const show = () => {
    found.replaceChildren();
    if (!input.value.trim()) return;
    const results = search(input.value);
    if (!results.length) {
      found.textContent = "Nothing is found. Fewer or other words may do.";
      return;
    }
    const list = document.createElement("ol");
    for (const one of results) {
      const item = document.createElement("li");
      const link = document.createElement("a");
      link.href = up + one.url;
      link.textContent = one.heading || one.title;
      item.append(link);
      if (one.heading) {
        const place = document.createElement("span");
        place.className = "place";
        place.textContent = one.title;
        item.append(place);
      }
      list.append(item);
    }
    found.append(list);
  };

  form.hidden = false;
  input.addEventListener("input", show);
  form.addEventListener("submit", event => {
    event.preventDefault();
    found.querySelector("a")?.click();
  });
  document.addEventListener("keydown", event => {
    if (event.key === "/" && document.activeElement !== input) {
      event.preventDefault();
      input.focus();
    } else if (event.key === "Escape" && document.activeElement === input) {
      input.value = "";
      show();
    }
  });
})();

// Finds, filters and moves on a page that is whole without it.
(function () {
  "use strict";
  var form = document.querySelector("form.sieve");
  if (form) {
    var sought = form.querySelector("#sought");
    var told = form.querySelector("output");
    var boxes = Array.prototype.slice.call(form.querySelectorAll("input[type=checkbox]"));
    var suites = Array.prototype.slice.call(document.querySelectorAll("section.suite")).map(function (suite) {
      var name = "";
      for (var each = suite; each; each = each.parentElement.closest("section.suite")) {
        name += " " + each.querySelector("h3, h4").textContent.toLowerCase();
      }
      return {
        node: suite,
        name: name,
        rows: Array.prototype.slice.call(suite.querySelectorAll(":scope > table > tbody > tr")).map(function (row) {
          return { node: row, word: row.cells[0].textContent, text: row.cells[2].textContent.toLowerCase() };
        })
      };
    });
    var sift = function () {
      var words = sought.value.toLowerCase().split(/\s+/).filter(Boolean);
      var kinds = {};
      var shown = 0, all = 0;
      boxes.forEach(function (box) { kinds[box.value] = box.checked; });
      suites.forEach(function (suite) {
        suite.rows.forEach(function (row) {
          var fits = kinds[row.word] !== false && words.every(function (word) {
            return row.text.indexOf(word) >= 0 || suite.name.indexOf(word) >= 0;
          });
          row.node.hidden = !fits;
          all += 1;
          shown += fits ? 1 : 0;
        });
      });
      suites.forEach(function (suite) {
        suite.node.hidden = !suite.node.querySelector("tbody > tr:not([hidden])");
      });
      told.textContent = shown === all ? "" : shown + " of " + all + " shown";
    };
    form.hidden = false;
    form.addEventListener("input", sift);
    form.addEventListener("submit", function (event) { event.preventDefault(); });
    sift();
  }
  var stops = Array.prototype.slice.call(document.querySelectorAll("article.card h3 a, article.broken > h2"));
  var at = -1;
  document.addEventListener("keydown", function (event) {
    var typing = event.target.closest("input, textarea, select");
    if (event.key === "Escape" && typing && form) {
      sought.value = "";
      sought.blur();
      form.dispatchEvent(new Event("input"));
      return;
    }
    if (typing || event.ctrlKey || event.altKey || event.metaKey) {
      return;
    }
    if (event.key === "/" && form) {
      sought.focus();
      event.preventDefault();
    } else if ((event.key === "n" || event.key === "p") && stops.length > 0) {
      at = Math.min(stops.length - 1, Math.max(0, at + (event.key === "n" ? 1 : -1)));
      if (!stops[at].hasAttribute("href")) {
        stops[at].tabIndex = -1;
      }
      stops[at].focus();
      stops[at].scrollIntoView({ block: "start" });
    }
  });
})();

// Finds, filters and moves on a page that is whole without it.
(function () {
  "use strict";
  var form = document.querySelector("form.sieve");
  if (form) {
    var sought = form.querySelector("#sought");
    var told = form.querySelector("output");
    var file = form.getAttribute("data-cases");
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
        suite.node.hidden = !suite.node.querySelector("tbody > tr:not([hidden])")
          && (words.length > 0 || !file);
      });
      told.textContent = shown === all ? "" : shown + " of " + all + " shown";
    };
    // cases that are too many for this page stand in a file of their own, which is read when it is needed
    var list = document.querySelector("ol.found");
    var most = 200;
    var find = function () {
      var words = sought.value.toLowerCase().split(/\s+/).filter(Boolean);
      var kinds = {};
      var found = 0;
      boxes.forEach(function (box) { kinds[box.value] = box.checked; });
      list.textContent = "";
      list.hidden = words.length === 0;
      if (words.length === 0) {
        return;
      }
      window.cases.forEach(function (one) {
        var text = (one[1] + " " + one[2]).toLowerCase();
        if (kinds[one[0]] === false || !words.every(function (word) { return text.indexOf(word) >= 0; })) {
          return;
        }
        found += 1;
        if (found <= most) {
          var item = list.appendChild(document.createElement("li"));
          item.append(one[0] + " ");
          var link = item.appendChild(document.createElement(one[3] ? "a" : "span"));
          if (one[3]) {
            link.href = one[3];
          }
          link.textContent = one[2];
          item.append(" " + one[1]);
        }
      });
      told.textContent = found + " found" + (found > most ? ", the first " + most + " shown" : "");
    };
    form.hidden = false;
    form.addEventListener("input", sift);
    if (file) {
      form.addEventListener("input", function () {
        if (window.cases) {
          find();
        } else if (!form.querySelector("script")) {
          var script = form.appendChild(document.createElement("script"));
          script.onload = find;
          script.src = file;
        }
      });
    }
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

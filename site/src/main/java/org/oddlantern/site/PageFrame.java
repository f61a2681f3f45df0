package org.oddlantern.site;

import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What is around a document: search, the list of all documents, the way on.
 *
 * @param ordered all documents in the order in which they are read, by name
 * @param api whether the javadoc is beside them
 */
record PageFrame(Map<String, Document> ordered, boolean api) {

  /** The folder of the javadoc. */
  static final String API = "api";

  String page(Document document, PageBody body) {
    return head(document)
        + String.format(
            Locale.ROOT,
            """
            <div class="columns">
            <nav aria-label="Documents">
            %s</nav>
            <main id="page-text">
            <h1>%s</h1>
            %s</main>
            </div>
            %s</body>
            </html>
            """,
            list(document, body),
            text(document.title()),
            body.html(),
            wayOn(document));
  }

  private static String head(Document document) {
    boolean first = document.name().equals("index");
    return String.format(
        Locale.ROOT,
        """
        <!doctype html>
        <html lang="en">
        <head>
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <meta name="color-scheme" content="light dark">
        <title>%1$s</title>
        <link rel="stylesheet" href="%2$sledger.css">
        <link rel="stylesheet" href="%2$ssite.css">
        <script src="%2$swords.js" defer></script>
        <script src="%2$ssite.js" defer></script>
        </head>
        <body class="site" data-up="%2$s">
        <a class="skip" href="#page-text">To the text</a>
        <header class="masthead">
        <p class="maker"><a href="%2$sindex.html">Odd Lantern</a></p>
        <form role="search" hidden><label for="page-search">Search</label> <input id="page-search" type="search" autocomplete="off" aria-controls="page-found"> <kbd>/</kbd></form>
        <div id="page-found" role="status" aria-live="polite"></div>
        </header>
        """,
        first ? "Odd Lantern" : text(document.title()) + " · Odd Lantern",
        document.up());
  }

  private String list(Document here, PageBody body) {
    StringBuilder list = new StringBuilder("<ul>\n");
    for (Document one : ordered.values()) {
      boolean own = one.name().equals(here.name());
      list.append("<li>").append(link(here, one, own ? " aria-current=\"page\"" : ""));
      List<String> headings = own && !here.name().equals("index") ? body.headings() : List.of();
      if (!headings.isEmpty() && headings.size() < 40) {
        list.append("\n<ul>\n");
        headings.forEach(heading -> list.append("<li><a href=\"#")
            .append(Anchors.of(heading))
            .append("\">")
            .append(text(heading))
            .append("</a></li>\n"));
        list.append("</ul>\n");
      }
      list.append("</li>\n");
    }
    if (api) {
      list.append("<li><a href=\"")
          .append(here.up())
          .append(API)
          .append("/index.html\">Java API (javadoc)</a></li>\n");
    }
    return list.append("</ul>\n").toString();
  }

  private String wayOn(Document here) {
    Document before = ordered.get(here.before());
    Document after = ordered.get(here.after());
    if (before == null && after == null) {
      return "";
    }
    return "<nav class=\"way\" aria-label=\"Previous and next\">\n"
        + (before == null ? "" : "<p>previous: " + link(here, before, " rel=\"prev\"") + "</p>\n")
        + (after == null ? "" : "<p>next: " + link(here, after, " rel=\"next\"") + "</p>\n")
        + "</nav>\n";
  }

  private static String link(Document from, Document to, String attributes) {
    return "<a href=\"" + from.up() + to.page() + "\"" + attributes + ">" + text(to.title())
        + "</a>";
  }

  private static String text(String plain) {
    return plain.replace("&", "&amp;").replace("<", "&lt;").replace("\"", "&quot;");
  }
}

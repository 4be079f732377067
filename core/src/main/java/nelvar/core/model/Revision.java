package nelvar.core.model;

import nelvar.core.units.Texts;

/// One issue of the papers.
public record Revision(String mark, String date, String by, String what) {
  public Revision {
    mark = Texts.storable("a revision's mark", mark);
    date = Texts.storable("a date", date);
    by = Texts.storable("a name", by);
    what = Texts.storable("what changed", what);
  }
}

package nelvar.core.model;

/// One issue of the papers.
public record Revision(String mark, String date, String by, String what) {}

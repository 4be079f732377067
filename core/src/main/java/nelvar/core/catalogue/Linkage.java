package nelvar.core.catalogue;

/// How the three windings of a motor are linked in its terminal box.
public enum Linkage {
  STAR,
  DELTA
}

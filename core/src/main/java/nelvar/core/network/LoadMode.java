package nelvar.core.network;

import nelvar.core.model.Use;

/// How much each load takes while the network is solved.
public enum LoadMode {
  /// Its mean: loading, simultaneity and duty.
  MEAN,
  /// All that can be on together: loading and simultaneity.
  TOGETHER,
  /// Every load on at once: loading alone.
  ALL_ON,
  /// Nothing but what is always there: no load takes anything.
  IDLE;

  /// Share of its rated power or current.
  double share(Use use) {
    return switch (this) {
      case MEAN -> use.loadingFactor() * use.simultaneityFactor() * use.dutyFactor();
      case TOGETHER -> use.loadingFactor() * use.simultaneityFactor();
      case ALL_ON -> use.loadingFactor();
      case IDLE -> 0;
    };
  }
}

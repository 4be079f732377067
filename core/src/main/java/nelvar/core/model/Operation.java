package nelvar.core.model;

import java.util.List;

/// How the machine is set and worked.
///
/// @param states the states of the machine that the builder named; without any, one is judged in
///   which everything is on that can be on together
public record Operation(List<Setting> settings, List<OperatingState> states) {
  public static final Operation NONE = new Operation(List.of(), List.of());

  public Operation {
    settings = List.copyOf(settings);
    states = List.copyOf(states);
  }

  public Operation withSettings(List<Setting> next) {
    return new Operation(next, states);
  }

  public Operation withStates(List<OperatingState> next) {
    return new Operation(settings, next);
  }
}

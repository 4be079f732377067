package nelvar.core.model;

import java.util.List;

/// Where things lie: ducts, conduits, trays and carriers.
public record Cabinet(List<Bundle> bundles) {
  public static final Cabinet NONE = new Cabinet(List.of());

  public Cabinet {
    bundles = List.copyOf(bundles);
  }

  public Cabinet withBundles(List<Bundle> next) {
    return new Cabinet(next);
  }
}

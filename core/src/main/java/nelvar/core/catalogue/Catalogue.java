package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/// All parts at hand, by id: those shipped and a project's own, which come before shipped ones of
/// the same id.
public final class Catalogue {
  private final Map<String, Part> parts;

  /// Asked some thousand times in one review.
  private final Map<Class<?>, List<Part>> byKind = new ConcurrentHashMap<>();

  private Catalogue(Map<String, Part> parts) {
    this.parts = parts;
  }

  public static Catalogue of(Collection<Part> parts) {
    var byId = new LinkedHashMap<String, Part>();
    for (var part : parts) {
      if (byId.put(part.id(), part) != null)
        throw new IllegalArgumentException("part " + part.id() + " stands twice in the catalogue");
    }
    return new Catalogue(byId);
  }

  /// This catalogue with a project's own parts.
  public Catalogue with(List<Part> own) {
    if (own.isEmpty()) return this;
    var byId = new LinkedHashMap<>(parts);
    for (var part : own) byId.put(part.id(), part);
    return new Catalogue(byId);
  }

  public Optional<Part> find(String id) {
    return Optional.ofNullable(parts.get(id));
  }

  public List<Part> all() {
    return new ArrayList<>(parts.values());
  }

  /// All parts of one kind, in catalogue order.
  public <P extends Part> Stream<P> of(Class<P> kind) {
    return byKind
        .computeIfAbsent(kind, k -> parts.values().stream().filter(k::isInstance).toList())
        .stream()
        .map(kind::cast);
  }
}

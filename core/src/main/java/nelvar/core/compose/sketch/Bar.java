package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;

/// Terminals of one potential: the next free way of a distribution block, and another block where
/// the last is full.
final class Bar {
  private final Sketch sketch;
  private final String purpose;
  private final Terminal.Role role;
  private final Ink ink;
  private final List<Device> blocks = new ArrayList<>();
  private int used;

  Bar(Sketch sketch, String purpose, Terminal.Role role, Ink ink) {
    this.sketch = sketch;
    this.purpose = purpose;
    this.role = role;
    this.ink = ink;
  }

  /// The next free way.
  TerminalRef next() {
    if (blocks.isEmpty() || used == ways(blocks.getLast()) - 1) grow();
    used++;
    return sketch.at(blocks.getLast(), String.valueOf(used));
  }

  /// The last way of a block stays free for the next block.
  private void grow() {
    var before = blocks.isEmpty() ? Optional.<Device>empty() : Optional.of(blocks.getLast());
    var block = sketch.add(largest(), purpose, Place.PANEL, Optional.empty());
    blocks.add(block);
    used = 0;
    before.ifPresent(last -> {
      used = 1;
      sketch.wire(sketch.at(last, String.valueOf(ways(last))), sketch.at(block, "1"), ink);
    });
  }

  private DistributionBlock largest() {
    return ofRole().max(Comparator.comparingInt(DistributionBlock::ways)).orElseThrow();
  }

  private java.util.stream.Stream<DistributionBlock> ofRole() {
    return sketch
        .catalogue()
        .of(DistributionBlock.class)
        .filter(block -> block.role() == role)
        .sorted(Comparator.comparingDouble(Sketch::price).thenComparing(Part::id));
  }

  private int ways(Device block) {
    return ((DistributionBlock) sketch.part(block.id())).ways();
  }

  /// The last block becomes the smallest that has the ways in use and two to spare, all of them
  /// rated for `amperes`.
  void trim(double amperes) {
    for (var block : blocks) {
      var last = block.equals(blocks.getLast());
      var needed = last ? Math.min(used + 2, ways(block)) : ways(block);
      ofRole()
          .filter(part -> part.ways() >= needed && part.rating().amperes() >= amperes)
          .findFirst()
          .ifPresentOrElse(
              part -> sketch.change(sketch.device(block.id()).withPart(part.id())),
              () -> {
                throw new Unmet(
                    "%s would carry %.0f A; the catalogue has no distribution block for that"
                        .formatted(purpose, amperes));
              });
    }
  }

  boolean has(Id block) {
    return blocks.stream().anyMatch(b -> b.id().equals(block));
  }

  boolean inUse() {
    return !blocks.isEmpty();
  }
}

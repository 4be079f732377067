package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.Node;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Sections;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.Kind;
import nelvar.desktop.session.Session;

/// The fields with which a conductor is changed.
final class ConductorSettings {
  private ConductorSettings() {}

  static List<Node> of(Conductor conductor, Session session, Study study) {
    var nodes = new ArrayList<Node>();
    var label =
        new QuantityField<>(
            "Number",
            "",
            DeviceSettings::designation,
            next -> session.edit(Edits.relabel(conductor, next)));
    label.show(conductor.label().text());
    var section =
        new QuantityField<>(
            "Section",
            "",
            Kind.CROSS_SECTION::read,
            next -> session.edit(Sections.change(conductor, next, study)));
    section.show(conductor.section().map(Object::toString).orElse(""));
    var length =
        new QuantityField<>(
            "Length, one way",
            "",
            Kind.LENGTH::read,
            next -> session.edit(Edits.length(conductor, next)));
    length.show(study.length(conductor).map(Object::toString).orElse(""));
    nodes.add(label);
    nodes.add(section);
    nodes.add(length);
    nodes.add(
        DeviceSettings.fixed(
            "Section fixed by hand", conductor.id(), conductor.label().text(), session));
    nodes.add(
        DeviceSettings.choice(
            "Sized by",
            sizers(conductor),
            conductor.leadOf(),
            of -> of.map(id -> "maker of " + study.label(id)).orElse("panel builder"),
            next -> session.edit(Edits.leadOf(conductor, next))));
    var bundles = session.project().bundles();
    if (conductor.cable().isEmpty() && !bundles.isEmpty()) {
      nodes.add(
          DeviceSettings.choice(
              "Lies in",
              bundles,
              study.bundle(conductor).orElse(bundles.getFirst()),
              Bundle::name,
              next -> session.edit(Edits.bundle(conductor, next.id()))));
    }
    return nodes;
  }

  /// Nobody but the panel's builder, or the maker of what it ends at.
  private static List<Optional<Id>> sizers(Conductor conductor) {
    return Stream.concat(
            Stream.of(Optional.<Id>empty()),
            Stream.of(conductor.from(), conductor.to()).map(end -> Optional.of(end.device())))
        .distinct()
        .toList();
  }
}

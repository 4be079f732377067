package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.sizing.Sections;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
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
    asRouted(HowLong.of(study).answer(conductor), HowLong.of(study).routed(conductor))
        .ifPresent(button -> {
          button.setOnAction(_ ->
              session.edit(RunEdits.asRouted(conductor.label().text(), Set.of(conductor.id()))));
          nodes.add(button);
        });
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
    if (conductor.cable().isEmpty()) {
      nodes.add(laid(conductor, session, study));
      nodes.add(DeviceSettings.done(conductor.id(), conductor.done().isPresent(), session));
    }
    return nodes;
  }

  /// What was said by hand gives way to the way; empty where there is none, or nothing to give.
  static Optional<Button> asRouted(HowLong.Answer answer, Optional<Length> routed) {
    if (answer.basis() != HowLong.Basis.SAID || routed.isEmpty()) return Optional.empty();
    var button = new Button("Cut it by its way, %s".formatted(routed.get()));
    button.setId("as-routed");
    return Optional.of(button);
  }

  private static Node laid(Conductor conductor, Session session, Study study) {
    var options = new ArrayList<Optional<Bundle>>();
    options.add(Optional.empty());
    session.project().bundles().forEach(bundle -> options.add(Optional.of(bundle)));
    return DeviceSettings.choice(
        "Laid in",
        options,
        study.laidIn(conductor),
        bundle -> bundle.map(Bundle::name).orElse("where its way leads"),
        next -> session.edit(RunEdits.laid(conductor, next)));
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

package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Entries;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Id;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.units.Kind;
import nelvar.desktop.session.Session;

/// The fields with which a cable is changed, and its cores.
final class CableSettings {
  private CableSettings() {}

  static List<Node> of(Cable cable, Session session, Study study) {
    var nodes = new ArrayList<Node>();
    var cores = study.cores(cable.id());
    var label =
        new QuantityField<>(
            "Number",
            "",
            DeviceSettings::designation,
            next -> session.edit(Edits.change(cable.withLabel(next))));
    label.show(cable.label().text());
    nodes.add(label);
    var now = study.catalogue().find(cable.stock()).map(CableStock.class::cast);
    var options = new ArrayList<CableStock>();
    now.ifPresent(options::add);
    study
        .catalogue()
        .of(CableStock.class)
        .filter(stock -> stock.cores() >= cores.size() && !options.contains(stock))
        .forEach(options::add);
    now.ifPresent(stock ->
        nodes.add(
            DeviceSettings.choice(
                "Cable",
                options,
                stock,
                CableStock::name,
                next -> session.edit(CableEdits.stock(cable, next)))));
    var length =
        new QuantityField<>(
            "Length",
            "",
            Kind.LENGTH::read,
            next -> session.edit(Edits.change(cable.withLength(next))));
    length.show(study.length(cable).map(Object::toString).orElse(""));
    nodes.add(length);
    ConductorSettings.asRouted(HowLong.of(study).answer(cable), HowLong.of(study).routed(cable))
        .ifPresent(button -> {
          button.setOnAction(
              _ -> session.edit(RunEdits.asRouted(cable.label().text(), Set.of(cable.id()))));
          nodes.add(button);
        });
    var bundles = new ArrayList<Optional<Bundle>>();
    bundles.add(Optional.empty());
    session.project().bundles().forEach(bundle -> bundles.add(Optional.of(bundle)));
    nodes.add(
        DeviceSettings.choice(
            "Lies in",
            bundles,
            lying(cable, session),
            bundle -> bundle.map(Bundle::name).orElse("nothing"),
            next -> session.edit(Edits.change(cable.withBundle(next.map(Bundle::id))))));
    gland(cable, session, study).ifPresent(nodes::add);
    nodes.add(DeviceSettings.done(cable.id(), cable.done().isPresent(), session));
    nodes.add(DeviceSettings.stands(cable.id(), cable.label().text(), session));
    nodes.add(
        Labels.section(
            "Cores, %d of %d"
                .formatted(cores.size(), now.map(CableStock::cores).orElse(cores.size()))));
    for (var core : cores) {
      var button =
          new Button(
              "%s  %s:%s to %s:%s"
                  .formatted(
                      core.colour().orElse("–"),
                      study.label(core.from().device()),
                      core.from().terminal(),
                      study.label(core.to().device()),
                      core.to().terminal()));
      button.getStyleClass().add("fact");
      button.setMaxWidth(Double.MAX_VALUE);
      button.setOnAction(_ -> session.selection().set(Optional.<Id>of(core.id())));
      nodes.add(button);
    }
    var apart = new Button("Take it apart");
    apart.setId("cable-apart");
    apart.setOnAction(_ -> session.edit(CableEdits.apart(cable)));
    nodes.add(apart);
    nodes.add(
        Additions.remove(
            cable.label() + " with its cores", () -> session.edit(Edits.remove(cable))));
    return nodes;
  }

  /// Where it enters a cabinet.
  private static Optional<Node> gland(Cable cable, Session session, Study study) {
    var entry =
        study.project().layout().cabinets().stream()
            .flatMap(cabinet -> Entries.of(cabinet, study).of(cable.id()).stream())
            .findFirst();
    if (entry.isEmpty()) return Optional.empty();
    var fits = entry.get().diameter().flatMap(Entries::fitting);
    var options = new ArrayList<Optional<Cable.Gland>>();
    options.add(Optional.empty());
    for (var gland : Cable.Gland.values()) options.add(Optional.of(gland));
    return Optional.of(
        DeviceSettings.choice(
            "Gland",
            options,
            cable.gland(),
            gland ->
                gland
                    .map(Cable.Gland::words)
                    .orElse(fits.map(g -> "what fits: " + g).orElse("none fits")),
            next -> session.edit(RunEdits.gland(cable, next))));
  }

  private static Optional<Bundle> lying(Cable cable, Session session) {
    return session.project().bundles().stream()
        .filter(bundle -> cable.bundle().filter(bundle.id()::equals).isPresent())
        .findFirst();
  }
}

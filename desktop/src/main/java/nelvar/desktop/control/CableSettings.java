package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Entries;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.model.edit.Edit;
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
    if (now.filter(CableStock::shielded).isPresent()) shield(cable, cores, session, study, nodes);
    nodes.add(ferrite(cable, session));
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

  /// How its shield ends where its cores begin and where they end.
  private static void shield(
      Cable cable, List<Conductor> cores, Session session, Study study, List<Node> nodes) {
    if (cores.isEmpty()) return;
    var has = cable.screened();
    nodes.add(
        ending(
            "Shield at " + study.label(cores.getFirst().from().device()),
            has.from(),
            next -> session.edit(screened(cable, has.withFrom(next)))));
    nodes.add(
        ending(
            "Shield at " + study.label(cores.getFirst().to().device()),
            has.to(),
            next -> session.edit(screened(cable, has.withTo(next)))));
  }

  private static Node ending(
      String label, Optional<Cable.Ending> now, Consumer<Optional<Cable.Ending>> take) {
    var options = new ArrayList<Optional<Cable.Ending>>();
    options.add(Optional.empty());
    for (var ending : Cable.Ending.values()) options.add(Optional.of(ending));
    return DeviceSettings.choice(
        label, options, now, e -> e.map(Cable.Ending::words).orElse("not said"), take);
  }

  private static Node ferrite(Cable cable, Session session) {
    var options = new ArrayList<Optional<Integer>>();
    options.add(Optional.empty());
    for (var turns = 1; turns <= 5; turns++) options.add(Optional.of(turns));
    cable.screened().turns().filter(n -> n > 5).ifPresent(n -> options.add(Optional.of(n)));
    return DeviceSettings.choice(
        "Ferrite",
        options,
        cable.screened().turns(),
        n -> n.map(t -> t == 1 ? "1 turn" : t + " turns").orElse("none"),
        next -> session.edit(screened(cable, cable.screened().withTurns(next))));
  }

  private static Edit screened(Cable cable, Cable.Screen next) {
    return Edits.change(cable.withScreen(next));
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

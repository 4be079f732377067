package nelvar.desktop.session;

import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.Permissive;
import nelvar.core.analysis.signals.PermissivesHold;
import nelvar.core.analysis.signals.PlugTrials;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.Effects;
import nelvar.core.compose.pins.AssignPins;
import nelvar.core.compose.pins.SwapBoard;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.review.Review;

/// What pins can be given to what, and which controller could take over: found away from the
/// interface thread, each tried on a copy and reviewed.
public final class Pinning {
  /// How many controllers are tried on a copy; the others are named.
  private static final int MOST = 3;

  private final Session session;
  private final Catalogue standard;
  private final Latest<Assigned> assigned;
  private final Latest<List<Board>> boards;
  private final Latest<List<PlugTrials.Trial>> plugs;
  private final Latest<Permitted> permitted;

  /// A proposal with what it does to the findings.
  public record Assigned(AssignPins.Proposal proposal, String effects) {}

  public record Board(SwapBoard.Proposal proposal, String effects) {}

  Pinning(Session session, Catalogue standard, Executor worker, Executor interfaceThread) {
    this.session = session;
    this.standard = standard;
    this.assigned = new Latest<>(worker, interfaceThread);
    this.boards = new Latest<>(worker, interfaceThread);
    this.plugs = new Latest<>(worker, interfaceThread);
    this.permitted = new Latest<>(worker, interfaceThread);
  }

  public void assign(Consumer<Assigned> found, Consumer<String> told) {
    var about = session.whole();
    assigned.ask(
        _ -> {
          var proposal = AssignPins.of(about.study(), standard);
          return new Assigned(proposal, proposal.nothing() ? "" : effects(about, proposal.edit()));
        },
        found,
        broken -> told.accept("Assigning failed: " + Trouble.of(broken)));
  }

  /// Controllers that could take over from one.
  public void boards(Device board, Consumer<List<Board>> found, Consumer<String> told) {
    var about = session.whole();
    boards.ask(
        dropped -> {
          var all = SwapBoard.candidates(board, about.study(), standard);
          var tried = new java.util.ArrayList<Board>();
          for (var proposal : all) {
            if (dropped.getAsBoolean()) return List.of();
            tried.add(
                new Board(
                    proposal,
                    proposal.possible() && tried.size() < MOST
                        ? effects(about, proposal.edit())
                        : ""));
          }
          return tried;
        },
        found,
        broken -> told.accept("Looking for controllers failed: " + Trouble.of(broken)));
  }

  /// What every plug of the machine does when it is put on the wrong way.
  public void plugs(Consumer<List<PlugTrials.Trial>> found, Consumer<String> told) {
    var about = session.whole();
    plugs.ask(
        _ -> PlugTrials.of(about.study()),
        found,
        broken -> told.accept("Trying plugs failed: " + Trouble.of(broken)));
  }

  /// A table of permissives with what each situation reads like.
  public record Permitted(Permissive.Table table, List<PermissivesHold.Tried> tried) {
    public Permitted {
      tried = List.copyOf(tried);
    }
  }

  /// What rows of a board's permissives can name, as last reviewed.
  public List<Permissive.Choice> sensors(Device board) {
    return Permissive.sensors(board, session.whole().study());
  }

  /// Outputs they can permit.
  public List<Permissive.Choice> permissible(Device board) {
    return Permissive.outputs(board, session.whole().study());
  }

  /// What permissives would say after an edit.
  public void tried(Edit edit, Consumer<Permitted> found, Consumer<String> told) {
    var project = session.project();
    permitted.ask(
        _ -> {
          var study = Study.of(edit.on(project, standard), standard);
          var table = Permissive.Table.of(study);
          return new Permitted(table, PermissivesHold.tried(table.rows(), study));
        },
        found,
        broken -> told.accept("Trying failed: " + Trouble.of(broken)));
  }

  private String effects(Review about, Edit edit) {
    try {
      var effects =
          Effects.between(about, Review.of(edit.on(session.project(), standard), standard));
      return "Findings: %s, %s."
          .formatted(
              effects.opened().isEmpty()
                  ? "opens none"
                  : "opens " + String.join(", ", effects.opened().keySet()),
              effects.closed().isEmpty()
                  ? "closes none"
                  : "closes " + String.join(", ", effects.closed()));
    } catch (EditRefused why) {
      return String.valueOf(why.getMessage());
    }
  }
}

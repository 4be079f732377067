package nelvar.core.network;

import java.util.List;
import nelvar.core.model.Id;

/// How a machine came to rest in a state, or why it does not.
public sealed interface Outcome {
  String words();

  /// Contacts stand still, and sources, loads and limits agree.
  record Settled() implements Outcome {
    @Override
    public String words() {
      return "solved";
    }
  }

  /// Contacts never come to rest. What they make differ is not known; all else is.
  ///
  /// @param circle what moves to and fro
  record Chattering(List<ActuatorRef> circle) implements Outcome {
    public Chattering {
      circle = List.copyOf(circle);
    }

    @Override
    public String words() {
      return "contacts chatter";
    }
  }

  /// Two or more race for it: which comes first decides what the machine does. What it decides is
  /// not known; all else is.
  ///
  /// @param race what stands otherwise if another of them is quicker
  record Undecided(List<ActuatorRef> race) implements Outcome {
    public Undecided {
      race = List.copyOf(race);
    }

    @Override
    public String words() {
      return "a race of contacts is undecided";
    }
  }

  /// No state was found in which sources, loads and limits agree; what those devices reach is not
  /// known.
  ///
  /// @param sources the devices whose sources do not settle, in the order of the project
  record Unsettled(List<Id> sources) implements Outcome {
    public Unsettled {
      sources = List.copyOf(sources);
    }

    @Override
    public String words() {
      return "not settled";
    }
  }
}

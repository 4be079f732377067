package nelvar.core.analysis.thermal;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.network.Edge;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;

/// The heat one device gives off while the machine runs, with duty: what it takes and does not pass
/// on, what its contacts and protective poles lose, or what is stated of it.
///
/// `P = Pin − Pout + ΣI²·R`: Pin and Pout from the running currents; R of a contact and of a pole
/// as in the engine. A chopper drive passes on what its windings turn into heat; what it loses
/// itself is stated, else 8 % of what it takes (common practice, no published source).
public final class DeviceHeat {
  private static final double CHOPPER = 0.08;

  private DeviceHeat() {}

  public static Explained<Power> of(Device device, Study study) {
    var w = Working.of("Heat of " + device.designation());
    return w.explain(
        study
            .part(device)
            .map(part ->
                part.chops() ? chopper(device, part, study, w) : other(device, part, study, w))
            .orElse(new Power(0)));
  }

  private static Power chopper(Device device, Part part, Study study, Working w) {
    var stated = part.loss();
    if (stated.isPresent()) {
      var duty = Percent.ofFraction(device.work().dutyFactor());
      w.given("Prated", stated.get(), part.name());
      w.given("duty", duty, "of " + device.designation());
      return w.result("P", "duty · Prated", stated.get().times(duty.fraction()));
    }
    var taken = w.given("Pin", taken(device, study), "with duty");
    w.assumed("share", "8 %", "nothing is stated of what it loses (common practice)");
    return w.result("P", "8 % · Pin", taken.times(CHOPPER));
  }

  private static Power other(Device device, Part part, Study study, Working w) {
    var in = taken(device, study);
    var out = passed(device, study);
    var contacts = new Power(Contacts.of(study).watts(device));
    var own = Math.max(0, in.watts() - out.watts()) + contacts.watts();
    // A filter or a choke: nothing is known of its ohms, so what is stated counts in full.
    if (own == 0 && part.loss().isPresent() && Contacts.of(study).carries(device))
      return w.given("P", part.loss().get(), "stated at its rating");
    if (in.watts() > 0) w.given("Pin", in, "taken, with duty");
    if (out.watts() > 0) w.given("Pout", out, "passed on, with duty");
    if (contacts.watts() > 0) w.given("Pcontacts", contacts, "I²·R of its contacts and poles");
    return w.result("P", formula(in, out, contacts), new Power(own));
  }

  private static String formula(Power in, Power out, Power contacts) {
    if (in.watts() == 0 && contacts.watts() == 0) return "nothing flows in it";
    if (in.watts() == 0) return "Pcontacts";
    return (out.watts() > 0 ? "Pin − Pout" : "Pin") + (contacts.watts() > 0 ? " + Pcontacts" : "");
  }

  private static Power taken(Device device, Study study) {
    var watts = 0.0;
    for (var feed : study.network().feeds(device.id()))
      watts += study.currents().drawn(feed).runningWatts();
    return new Power(watts);
  }

  /// What its outputs give to others.
  private static Power passed(Device device, Study study) {
    var watts = 0.0;
    for (var source : study.network().sources(device))
      for (var load : study.currents().served(source))
        watts += study.currents().drawn(load).runningWatts() * load.share(source);
    return new Power(watts);
  }

  /// What the running currents turn into heat in contacts and poles.
  private record Contacts(Map<Id, Double> watts, Set<Id> carry) {
    static Contacts of(Study study) {
      return study.once(Contacts.class, () -> sum(study));
    }

    private static Contacts sum(Study study) {
      var topology = study.network().topology();
      var watts = new HashMap<Id, Double>();
      var carry = new HashSet<Id>();
      for (var edge = 0; edge < topology.edgeCount(); edge++) {
        if (!(topology.edge(edge) instanceof Edge.Through(var device, var link))) continue;
        var running = study.currents().edge(edge).running();
        if (running <= 0) continue;
        carry.add(device.id());
        watts.merge(device.id(), running * running * ohms(link), Double::sum);
      }
      return new Contacts(watts, carry);
    }

    double watts(Device device) {
      return watts.getOrDefault(device.id(), 0.0);
    }

    boolean carries(Device device) {
      return carry.contains(device.id());
    }

    private static double ohms(Link link) {
      return switch (link.kind()) {
        case PROTECTIVE -> link.protection().map(p -> p.poleResistance().ohms()).orElse(0.0);
        case CONTACT, OUTPUT -> Link.CONTACT_RESISTANCE;
        case JOINED, DIODE -> 0;
      };
    }
  }
}

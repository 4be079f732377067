package nelvar.core.formula;

import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;

/// What cutting asks of a spindle and of its axis.
public final class Cutting {
  /// By the specific cutting force, N/mm², of a chip as thick as is usual with routers and small
  /// mills; common practice, from memory, unchecked: a dull cutter takes half as much again.
  public enum Material {
    ALUMINIUM(800),
    BRASS(750),
    STEEL(2000),
    STAINLESS(2300),
    ACRYLIC(120),
    HARDWOOD(80),
    MDF(50);

    private final double force;

    Material(double force) {
      this.force = force;
    }

    /// N/mm².
    public double specificForce() {
      return force;
    }
  }

  private Cutting() {}

  /// `f/(n · z)`: what one edge takes off, mm.
  public static Length chip(Measure feed, Measure speed, int edges) {
    return new Length(feed.value() / (speed.value() * edges) / 1000);
  }

  /// `ap · ae · vf · kc/(60 · η)`, mechanics.
  public static Power power(
      Length depth, Length width, Measure feed, Material material, Percent efficiency) {
    var volume = depth.metres() * 1000 * width.metres() * 1000 * feed.value();
    return new Power(volume * material.specificForce() / 60_000 / efficiency.fraction());
  }

  /// `P/(π · d · n)`: what pushes the tool and its axis, N, from the power at the edge and its
  /// speed.
  public static double force(Power atEdge, Length across, Measure speed) {
    return atEdge.watts() / (Math.PI * across.metres() * speed.value() / 60);
  }
}

package nelvar.core.network.solve;

/// The current a source gives out of its plus terminal.
final class EmfCurrent {
  private EmfCurrent() {}

  static Phasor of(Grid grid, int index, Present now, Frequency frequency) {
    var emf = grid.emfs().get(index);
    var group = grid.groups().get(emf.group());
    var atDirect = frequency.re.length > 0 && !group.alternating();
    var mode = now.mode[emf.group()];
    var vr = frequency.re[emf.plus()] - frequency.re[emf.minus()];
    var vi = frequency.im[emf.plus()] - frequency.im[emf.minus()];
    if (!now.on[emf.group()] || mode == Present.Mode.IDLE || mode == Present.Mode.TRIPPED)
      return new Phasor(-vr * Frequency.LEAK, -vi * Frequency.LEAK);
    if (mode == Present.Mode.LIMITED && atDirect) {
      var amperes =
          group.limit() == Grid.Limit.FOLD_BACK
              ? 0.25 * group.greatest() + 0.75 * group.greatest() * vr / emf.re()
              : group.greatest();
      return new Phasor(amperes - vr * Frequency.LEAK, 0);
    }
    var er = emf.re() * now.emf(index) - vr;
    var ei = emf.im() * now.emf(index) - vi;
    var x = group.alternating() ? emf.reactance() : 0;
    var ohms = now.emfOhms(index);
    var size = ohms * ohms + x * x;
    return new Phasor((er * ohms + ei * x) / size, (ei * ohms - er * x) / size);
  }
}

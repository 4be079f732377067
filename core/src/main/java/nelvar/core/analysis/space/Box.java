package nelvar.core.analysis.space;

import nelvar.core.units.Length;

/// An upright rectangle on a surface, in mm from its left and top edge.
public record Box(double left, double top, double width, double height) {
  /// Two edges closer than this meet.
  static final double TOUCH = 0.05;

  public static Box of(Length left, Length top, Length width, Length height) {
    return new Box(mm(left), mm(top), mm(width), mm(height));
  }

  /// Millimetres, to a thousandth: what files say is what is computed with.
  public static double mm(Length length) {
    return Math.round(length.metres() * 1e6) / 1e3;
  }

  public static Length length(double mm) {
    return Length.ofMillimetres(Math.max(0, Math.round(mm * 10) / 10.0));
  }

  public double right() {
    return left + width;
  }

  public double bottom() {
    return top + height;
  }

  public double middleX() {
    return left + width / 2;
  }

  public double middleY() {
    return top + height / 2;
  }

  public boolean overlaps(Box other) {
    return across(other) > TOUCH && along(other) > TOUCH;
  }

  /// How far they overlap sideways; negative: the gap between them.
  public double across(Box other) {
    return Math.min(right(), other.right()) - Math.max(left, other.left);
  }

  /// How far they overlap up and down; negative: the gap between them.
  public double along(Box other) {
    return Math.min(bottom(), other.bottom()) - Math.max(top, other.top);
  }

  /// The shortest way between their edges; 0 where they overlap.
  public double gap(Box other) {
    return Math.hypot(Math.max(0, -across(other)), Math.max(0, -along(other)));
  }

  public boolean within(Box outer) {
    return left >= outer.left - TOUCH
        && top >= outer.top - TOUCH
        && right() <= outer.right() + TOUCH
        && bottom() <= outer.bottom() + TOUCH;
  }

  public boolean has(double x, double y) {
    return x >= left && x <= right() && y >= top && y <= bottom();
  }

  public Box grown(double up, double rightwards, double down, double leftwards) {
    return new Box(left - leftwards, top - up, width + leftwards + rightwards, height + up + down);
  }

  public Box movedTo(double nextLeft, double nextTop) {
    return new Box(nextLeft, nextTop, width, height);
  }

  public double area() {
    return width * height;
  }
}

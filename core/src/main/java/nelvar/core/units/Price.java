package nelvar.core.units;

import java.math.BigDecimal;
import java.math.RoundingMode;

/// An amount of money in the project's currency, from 0 to ten million, kept exact.
public record Price(BigDecimal amount) implements Comparable<Price> {
  private static final BigDecimal MOST = BigDecimal.valueOf(10_000_000);
  public static final Price ZERO = new Price(BigDecimal.ZERO);

  public Price {
    if (amount.signum() < 0 || amount.compareTo(MOST) > 0) {
      throw new ImpossibleQuantity(
          "a price is from 0 to 10 000 000, not " + amount.toPlainString());
    }
    amount = amount.setScale(2, RoundingMode.HALF_UP);
  }

  public static Price of(String amount) {
    try {
      return new Price(new BigDecimal(amount.strip().replace(',', '.')));
    } catch (NumberFormatException notANumber) {
      throw new ImpossibleQuantity("'" + amount + "' is not a price: write a number such as 12.40");
    }
  }

  public Price plus(Price other) {
    return new Price(amount.add(other.amount));
  }

  public Price times(double quantity) {
    return new Price(amount.multiply(BigDecimal.valueOf(quantity)));
  }

  @Override
  public int compareTo(Price other) {
    return amount.compareTo(other.amount);
  }

  @Override
  public String toString() {
    return amount.toPlainString();
  }
}

package nelvar.core.review;

import java.util.List;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.completeness.Chatter;
import nelvar.core.analysis.completeness.DesignationUnique;
import nelvar.core.analysis.completeness.LengthKnown;
import nelvar.core.analysis.completeness.LoadFed;
import nelvar.core.analysis.completeness.TerminalConnected;
import nelvar.core.analysis.earthing.FloatingZeroVolt;
import nelvar.core.analysis.earthing.ProtectiveConnection;
import nelvar.core.analysis.earthing.ProtectiveSection;
import nelvar.core.analysis.earthing.ResidualCharge;
import nelvar.core.analysis.earthing.WorkingCurrentInEarth;
import nelvar.core.analysis.load.DriveAgainstMotor;
import nelvar.core.analysis.load.InletAgainstUpstream;
import nelvar.core.analysis.parts.CoilRange;
import nelvar.core.analysis.parts.CoilSuppression;
import nelvar.core.analysis.parts.LoadVolts;
import nelvar.core.analysis.parts.SensorAgainstInput;
import nelvar.core.analysis.parts.SignalLevel;
import nelvar.core.analysis.parts.SupplyVoltage;
import nelvar.core.analysis.protection.BareTransformer;
import nelvar.core.analysis.protection.BranchDevice;
import nelvar.core.analysis.protection.BreakingCapacity;
import nelvar.core.analysis.protection.Bypassed;
import nelvar.core.analysis.protection.ClearsFault;
import nelvar.core.analysis.protection.DeviceAgainstLoad;
import nelvar.core.analysis.protection.DeviceAgainstWire;
import nelvar.core.analysis.protection.DisconnectsInTime;
import nelvar.core.analysis.protection.InrushAgainstCurve;
import nelvar.core.analysis.protection.MotorOverload;
import nelvar.core.analysis.protection.OwnDevice;
import nelvar.core.analysis.protection.PanelRating;
import nelvar.core.analysis.protection.ResidualDevice;
import nelvar.core.analysis.protection.Selectivity;
import nelvar.core.analysis.sizing.InParallel;
import nelvar.core.analysis.sizing.MinimumSection;
import nelvar.core.analysis.sizing.VoltageDropLimit;
import nelvar.core.analysis.sizing.WireCarriesLoad;
import nelvar.core.analysis.sizing.WithstandsFault;
import nelvar.core.analysis.supply.BackFeed;
import nelvar.core.analysis.supply.DeadShort;
import nelvar.core.analysis.supply.SupplyHeadroom;
import nelvar.core.analysis.supply.SupplyOverloaded;

/// The one list of rules, in the order they are printed. A new rule is added here, and nowhere
/// else.
public final class RuleBook {
  public static final List<Rule> ALL =
      List.of(
          new DeadShort(),
          new ProtectiveConnection(),
          new ProtectiveSection(),
          new WorkingCurrentInEarth(),
          new FloatingZeroVolt(),
          new ResidualCharge(),
          new InletAgainstUpstream(),
          new BackFeed(),
          new SupplyOverloaded(),
          new SupplyHeadroom(),
          new OwnDevice(),
          new BareTransformer(),
          new DeviceAgainstWire(),
          new DeviceAgainstLoad(),
          new InrushAgainstCurve(),
          new ClearsFault(),
          new DisconnectsInTime(),
          new BreakingCapacity(),
          new BranchDevice(),
          new PanelRating(),
          new MotorOverload(),
          new ResidualDevice(),
          new Selectivity(),
          new Bypassed(),
          new MinimumSection(),
          new WireCarriesLoad(),
          new WithstandsFault(),
          new InParallel(),
          new VoltageDropLimit(),
          new SupplyVoltage(),
          new LoadVolts(),
          new CoilRange(),
          new CoilSuppression(),
          new SensorAgainstInput(),
          new SignalLevel(),
          new DriveAgainstMotor(),
          new Chatter(),
          new LoadFed(),
          new TerminalConnected(),
          new LengthKnown(),
          new DesignationUnique());

  private RuleBook() {}
}

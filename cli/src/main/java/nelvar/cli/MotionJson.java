package nelvar.cli;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisForces;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.AxisSteps;
import nelvar.core.analysis.motion.DialedMotor;
import nelvar.core.analysis.motion.DriveSheet;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.analysis.motion.SpeedMap;
import nelvar.core.analysis.motion.SpinUp;
import nelvar.core.units.Frequency;
import nelvar.core.units.Measure;

/// Axes, drives and dials of a machine as JSON, version 1: figures are numbers, what is not known
/// is absent. See docs/guide/command-line.md.
final class MotionJson {
  private MotionJson() {}

  record Row(
      String device,
      String name,
      String unit,
      Optional<String> value,
      Optional<String> entered,
      SettingsSheet.Standing standing,
      String why) {
    static Row of(SettingsSheet.Row row) {
      return new Row(
          row.device().designation().text(),
          row.name(),
          row.unit(),
          row.value(),
          row.entered(),
          row.standing(),
          row.why());
    }
  }

  record Axis(
      String axis,
      String motor,
      String drive,
      String controller,
      Optional<String> pin,
      List<String> mechanics,
      String unit,
      int fullSteps,
      Optional<Double> microsteps,
      Optional<Double> stepsPerUnit,
      Optional<Double> oneStep,
      Optional<Double> pulsesAtWantedSpeedHertz,
      Optional<Double> greatestPulsesHertz,
      Optional<Double> torqueAtWantedSpeed,
      Optional<Double> torqueAsked,
      List<Row> settings) {
    static Axis of(MotionAxis axis, Study study) {
      var micro = axis.settings().microsteps().flatMap(AxisSettings.Entered::value);
      var speed = axis.wants().speed();
      var turns = speed.flatMap(v -> AxisSteps.turns(axis, v));
      return new Axis(
          axis.name(),
          axis.motor().designation().text(),
          axis.drive().designation().text(),
          axis.board().designation().text(),
          axis.step().map(link -> link.pin().name()),
          axis.mechanics().words(),
          axis.mechanics().unit().sign(),
          axis.fullSteps(),
          micro,
          AxisSteps.computed(axis).map(k -> k.value()),
          micro.flatMap(m -> AxisSteps.step(axis, m)),
          micro.flatMap(m -> speed.flatMap(v -> AxisSteps.rate(axis, m, v))).map(Frequency::hertz),
          axis.greatestRate().map(Frequency::hertz),
          turns
              .flatMap(n -> axis.bus().flatMap(u -> AxisForces.gives(axis, u, n)))
              .map(Measure::value),
          AxisForces.asked(axis).map(AxisForces.Asked::asked),
          SettingsSheet.of(axis, study).stream().map(Row::of).toList());
    }
  }

  record Parameter(
      String code,
      String name,
      String takes,
      String original,
      boolean stoppedOnly,
      Optional<String> value,
      Optional<String> entered,
      Optional<String> readBack,
      SettingsSheet.Standing standing,
      String why) {
    static Parameter of(DriveSheet.Line line) {
      return new Parameter(
          line.parameter().code(),
          line.row().name(),
          line.parameter().takes(),
          line.parameter().original(),
          line.parameter().stoppedOnly(),
          line.row().value(),
          line.row().entered(),
          line.read(),
          line.row().standing(),
          line.row().why());
    }
  }

  record Drive(
      String name,
      String drive,
      List<String> motors,
      int poles,
      double greatestHertz,
      double speedAtTenVolts,
      double fastestCommanded,
      Optional<Double> slowestCommanded,
      Optional<Double> startsFromVolts,
      Optional<Double> scaleOffPercent,
      Optional<Double> spinUpSeconds,
      List<Parameter> parameters) {
    static Drive of(DrivenMotor driven, Study study) {
      var map = SpeedMap.of(driven, study);
      return new Drive(
          driven.name(),
          driven.drive().designation().text(),
          driven.motors().stream().map(m -> m.designation().text()).toList(),
          map.poles(),
          map.greatest().hertz(),
          map.atTen().value(),
          map.fastest().value(),
          Optional.of(map.slowest().value()).filter(_ -> map.slowestKnown()),
          map.startsFrom().map(v -> v.volts()),
          map.scaleOff().map(p -> p.percent()),
          SpinUp.of(driven, study).map(t -> t.value().seconds()),
          DriveSheet.of(driven, study).stream().map(Parameter::of).toList());
    }
  }

  record Document(
      int version,
      String project,
      String revision,
      List<Axis> axes,
      List<Drive> drives,
      List<Row> dials) {
    static Document of(String project, String revision, Study study) {
      return new Document(
          1,
          project,
          revision,
          MotionAxes.of(study).stream().map(axis -> Axis.of(axis, study)).toList(),
          DrivenMotor.all(study).stream().map(driven -> Drive.of(driven, study)).toList(),
          DialedMotor.all(study).stream().map(dialed -> Row.of(dialed.row())).toList());
    }
  }
}

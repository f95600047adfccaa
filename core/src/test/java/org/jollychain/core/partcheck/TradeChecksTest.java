package org.jollychain.core.partcheck;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The bench against what practitioners say. Common practice, no source, unless one is named. */
class TradeChecksTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '!',
      textBlock =
          """
      element ! watts=4500;volts=240;ohms=12.8 ! GOOD ! Sound
      element ! watts=3500;volts=240;ohms=16.5 ! GOOD ! Sound
      element ! watts=4500;volts=240;ohms=12.8k ! DOUBTFUL ! slip of the prefix
      element ! watts=4500;volts=240;ohms=OL ! BAD ! Open
      element ! watts=4500;volts=240;ohms=25.6;coils=2 ! BAD ! 1 of 2 coils left
      element ! watts=4500;volts=240;ohms=12.8;case-one=4;case-other=9 ! BAD ! Touches its case
      element ! watts=4500;volts=240;ohms=0.2 ! BAD ! Shorted
      element ! watts=4500;volts=240;ohms=10.4 ! DOUBTFUL ! Read its plate
      element ! watts=4500;volts=240;ohms=19 ! DOUBTFUL ! Read its plate
      element ! watts=4500;volts=240;ohms=140 ! BAD ! Too many ohms
      element ! watts=4500;volts=240;ohms=12.8;case-one=8 MΩ ! DOUBTFUL ! dry it and read again
      element ! watts=4500;volts=240;ohms=12.8;case-one=60k ! BAD ! Touches its case
      contact ! drop=143 mV;amperes=0.1;supply=500 mV ! DOUBTFUL ! Tired
      contact ! drop=0.15;amperes=20;supply=240 ! DOUBTFUL ! Warm
      contact ! drop=0.08;amperes=20;supply=240 ! GOOD ! Closed and sound
      contact ! drop=1.2;amperes=20;supply=240 ! BAD ! Burns
      contact ! drop=0.4;amperes=10;supply=240 ! DOUBTFUL ! Tired
      contact ! drop=238;amperes=0.1;supply=240 ! BAD ! Open
      contact ! drop=0;amperes=0 ! DOUBTFUL ! proves nothing
      disc-heat-up ! opens-at=121;log=0 21C closed| 5 70C closed| 12 100C closed| 18 120C open ! GOOD ! within its band
      disc-heat-up ! opens-at=121;closes-at=99;log=0 21C closed| 5 70C closed| 12 100C closed| 18 120C open| 40 25C open ! BAD ! does not close again
      disc-heat-up ! opens-at=121;closes-at=99;log=0 21C closed| 5 70C closed| 12 100C closed| 18 120C open| 25 97C closed ! GOOD ! within its band
      disc-heat-up ! opens-at=121;log=0 21C closed| 10 60C closed| 15 80C open ! BAD ! too early
      disc-heat-up ! opens-at=121;log=0 21C closed| 30 140C closed ! BAD ! Never opens
      disc-heat-up ! opens-at=121;log=0 21C closed| 2 60C closed| 4 118C open ! DOUBTFUL ! too fast to trust
      disc-heat-up ! opens-at=121;log=0 98C closed| 3 98C open ! BAD ! too early
      one-shot ! rated=91 C;reads=0.1 ! GOOD ! Whole
      one-shot ! rated=91 C;reads=OL ! BAD ! cause unknown
      one-shot ! rated=91 C;reads=0.8 ! GOOD ! Whole
      thermistor ! nominal=10k;at=25;beta=3950;ohms=OL;celsius=20 ! BAD ! Open
      thermistor ! nominal=10k;at=25;beta=3950;ohms=0.4;celsius=20 ! BAD ! Shorted
      thermistor ! nominal=10k;at=25;beta=3950;ohms=12.5;celsius=20 ! DOUBTFUL ! slip of the prefix
      thermistor ! nominal=10k;at=25;beta=3950;ohms=12.5k;celsius=20 ! DOUBTFUL ! this one temperature
      thermistor ! nominal=10k;at=25;beta=3950;ohms=12.5k;celsius=20;ohms-warm=3.6k;celsius-warm=50 ! GOOD ! Follows its table
      thermistor ! nominal=10k;at=25;beta=3950;ohms=12.5k;celsius=20;ohms-warm=9k;celsius-warm=50 ! BAD ! Does not follow
      thermistor ! nominal=10k;at=25;beta=3950;ohms=18k;celsius=20 ! BAD ! colder
      thermistor ! nominal=10k;at=75 F;beta=3950;ohms=10950;celsius=72 F ! DOUBTFUL ! On its table
      thermistor ! nominal=10k;at=25;beta=3950;ohms=12.5k;celsius=20;ohms-warm=12k;celsius-warm=50 ! BAD ! Does not follow
      thermistor ! paper=10k at 25C, 5.3k at 40C;ohms=12.4k;celsius=20;ohms-warm=3.6k;celsius-warm=50 ! GOOD ! Follows its table
      thermistor ! paper=10k at 25C, 5.3k at 40C;ohms=18k;celsius=20 ! BAD ! colder
      thermistor ! paper=10k at 77F beta 3950;ohms=12.5k;celsius=68 F ! DOUBTFUL ! On its table
      thermistor ! family=10k;ohms=12.4k;celsius=20 ! DOUBTFUL ! Reads like a 10k
      thermistor ! family=10k;ohms=12.4k;celsius=20;ohms-warm=3.7k;celsius-warm=50 ! GOOD ! Reads like a 10k
      thermistor ! family=10k;ohms=12.4k;celsius=20;ohms-warm=12k;celsius-warm=50 ! BAD ! Does not follow
      thermistor ! ohms=61k;celsius=20 ! DOUBTFUL ! Reads like a 50k
      thermistor ! family=10k;ohms=61k;celsius=20 ! DOUBTFUL ! nearest is a 50k
      thermistor ! ohms=OL;celsius=20 ! BAD ! Open
      thermistor ! family=10k;ohms=0.3;celsius=20 ! BAD ! Shorted
      platinum ! type=Pt1000;ohms=1101;celsius=20 ! DOUBTFUL ! hotter
      platinum ! type=Pt1000;ohms=OL;celsius=20 ! BAD ! Open
      platinum ! type=Pt1000;ohms=1040;celsius=20 ! BAD ! colder
      coil ! coil=gas valve, two pins;ohms=1300 ! GOOD ! In its band
      coil ! coil=gas valve, two pins;ohms=1300;partner=560 ! GOOD ! In its band
      coil ! coil=relay or contactor mains;ohms=1300;partner=900 ! DOUBTFUL ! unlike its partner
      coil ! coil=relay or contactor 24 V;ohms=650 ! GOOD ! In its band
      coil ! coil=timer motor;ohms=4200 ! GOOD ! In its band
      coil ! coil=gas valve, two pins;ohms=OL ! BAD ! Open
      coil ! coil=timer motor;ohms=2500 ! GOOD ! In its band
      igniter ! ohms=75;glows=20 ! GOOD ! Sound cold
      igniter ! ohms=OL ! BAD ! Open
      igniter ! ohms=75;amperes=2.4;rated=3.2;in-series=yes ! BAD ! Weak
      igniter ! ohms=75;amperes=2.4;rated=3.2 ! DOUBTFUL ! Draws little
      igniter ! ohms=84 ! GOOD ! Sound cold
      igniter ! ohms=395 ! GOOD ! Sound cold
      igniter ! ohms=17;kind=nitride: dark, a thin blade;glows=6 ! GOOD ! Sound cold
      igniter ! ohms=17;kind=carbide: grey, a spiral or an M ! DOUBTFUL ! Out of its usual band
      igniter ! ohms=900 ! DOUBTFUL ! Out of its usual band
      timer ! chart=10-60;log=0 open| 15 closed| 70 open ! GOOD ! As its chart
      timer ! chart=10-60;log=0 closed| 15 closed| 70 closed ! BAD ! Welded
      timer ! chart=10-60;log=0 open| 15 open ! BAD ! Burnt
      timer ! chart=10-60;log=0 closed| 15 open| 70 closed ! DOUBTFUL ! another zero of the dial
      float ! down=0.2;lifted=OL ! GOOD ! Sound
      float ! down=0.6;lifted=OL ! GOOD ! Sound
      float ! down=3;lifted=OL ! DOUBTFUL ! dirty
      start-switch ! pressed=0.6;let-go=OL ! GOOD ! Sound
      start-switch ! pressed=3;let-go=OL ! DOUBTFUL ! dirty
      float ! down=0.2;lifted=0.2 ! BAD ! Does not open
      float ! down=OL;lifted=0.2 ! DOUBTFUL ! other way round
      float ! down=11.2k;lifted=11.2k ! DOUBTFUL ! the sensor in the same plug
      float ! down=0.2;lifted=OL;rattles=no ! DOUBTFUL ! does not rattle
      sequencer ! one-in=10;two-in=60;two-out=20;one-out=70 ! GOOD ! Within
      sequencer ! one-out=10;two-out=70 ! BAD ! Wrong order
      sequencer ! one-in=150 ! DOUBTFUL ! Out of its window
      sequencer ! one-in=45;printed=1-20, 30-90, 1-30, 30-90 ! DOUBTFUL ! Out of its window
      sequencer ! one-in=15;two-in=75;printed=1 to 20, 30 to 90, 1 to 30, 30 to 90 ! GOOD ! Within its print
      sequencer ! one-in=60;two-in=20 ! BAD ! Wrong order
      sequencer ! log=0 call| 12 one-in| 58 two-in| 600 call-ends| 615 two-out| 660 one-out ! GOOD ! Within
      sequencer ! log=0 call| 12 one-in| 58 two-in| 600 call-ends| 612 one-out| 640 two-out ! BAD ! Wrong order
      door-interlocks ! first-shut=0.1;first-open=OL;second-shut=0.1;second-open=OL;monitor-shut=OL;monitor-open=0.1 ! GOOD ! as they should
      door-interlocks ! first-shut=0.1;first-open=0.1;second-shut=0.1;second-open=OL;monitor-shut=OL;monitor-open=0.1 ! BAD ! welded
      door-interlocks ! first-shut=0.1;first-open=OL;second-shut=0.1;second-open=OL;monitor-shut=0.1;monitor-open=0.1;plug=0.3 ! BAD ! shorts the line
      door-interlocks ! first-shut=0.1;first-open=5;second-shut=0.1;second-open=OL;monitor-shut=OL;monitor-open=0.1 ! BAD ! leaks with the door open
      door-interlocks ! first-shut=0.1;first-open=OL;second-shut=0.1;second-open=OL;monitor-shut=4;monitor-open=0.1 ! BAD ! monitor leaks
      transformer ! primary=240;secondary=24;va=40;in=238;out=27 ! GOOD ! Sound
      transformer ! primary=240;secondary=24;va=40;in=208;out=23 ! DOUBTFUL ! 208 V tap
      transformer ! primary=240;secondary=24;va=40;in=238;out=0.2 ! BAD ! Dead
      transformer ! primary=240;secondary=24;va=40;in=3;out=0 ! BAD ! Not fed
      transformer ! primary=240;secondary=24;va=40;in=238;out=27;amperes=2.2 ! BAD ! Overloaded
      thermopile ! open=540 mV;closed=320 mV;valve=300 mV;ohms=2.5 ! GOOD ! Holds
      thermopile ! open=540 mV;closed=320 mV;valve=190 mV;ohms=2.5 ! DOUBTFUL ! the loop loses
      thermopile ! open=240 mV;closed=130 mV;valve=110 mV;ohms=2.5 ! BAD ! weak
      thermopile ! open=560 mV;closed=180 mV;valve=165 mV;ohms=2.5 ! BAD ! sags under load
      thermopile ! open=28 mV;closed=13 mV ! DOUBTFUL ! Reads like a thermocouple
      thermopile ! open=28 mV;closed=13 mV;kind=thermocouple, 20 to 35 mV ! GOOD ! Sound
      thermopile ! open=26 mV;closed=5 mV;kind=thermocouple, 20 to 35 mV ! BAD ! Sags
      thermopile ! open=11 mV;closed=6 mV;kind=thermocouple, 20 to 35 mV ! BAD ! Weak
      thermopile ! open=28 mV;closed=13 mV;valve=11 mV;ohms=2.5;kind=thermopile, 250 to 750 mV ! BAD ! weak
      capacitor ! printed=7.5 uF;read=7.4 uF ! GOOD ! Within
      capacitor ! printed=7.5 uF;read=6.0 uF ! BAD ! Worn out
      capacitor ! printed=100 uF;read=117 uF;kind=start ! GOOD ! Within
      capacitor ! printed=100 uF;read=90 uF;kind=start ! BAD ! Worn out
      capacitor ! printed=100 uF;read=98 uF;kind=start ! DOUBTFUL ! Wearing
      capacitor ! printed=40 uF;read=37 uF;percent=5;kind=one section of a dual run ! DOUBTFUL ! Wearing
      capacitor ! printed=40 uF;read=37 uF;percent=10 ! GOOD ! Within
      wire ! size=14 AWG;length=50 ft;amperes=15;volts=240;celsius=75;read=4.8 ! GOOD ! dropped
      wire ! size=14 AWG;length=50 ft;amperes=15;volts=240;celsius=75;read=9.1 ! BAD ! a joint in it
      wire ! size=18 AWG;length=30 ft;amperes=0.035;volts=0.75 ! GOOD ! dropped
      wire ! size=18 AWG;length=30 ft;amperes=0.035;volts=0.75;read=45 mV ! BAD ! a joint in it
      wire ! size=18 AWG;length=120 ft;amperes=0.1;volts=0.75 ! BAD ! dropped
      duct-length ! length=18 m;square=4;maker=20 m ! GOOD ! Within
      duct-length ! length=18 m;square=4 ! BAD ! Too long
      duct-length ! length=6 m;square=1;hose=3 m ! BAD ! hose
      duct-length ! length=8 m;square=0;smooth=4 ! GOOD ! Within
      steam ! celsius=121;pressure=130 kPa;as=air (gauge) ! BAD ! Pressure above
      steam ! celsius=134;pressure=150 kPa;as=air (gauge) ! BAD ! without pressure
      cycle-log ! control=68 C;limit=118 C;log=0 22C on| 6 69C off| 8 61C on| 10 69C off ! GOOD ! on its control
      cycle-log ! control=68 C;limit=118 C;log=0 22C on| 6 117C off| 8 91C on ! BAD ! on its limit
      cycle-log ! control=68 C;limit=118 C;log=0 22C on| 20 110C on ! BAD ! does not go off
      cycle-log ! control=155 F;limit=250 F;log=0 72F on| 4 118F off| 6 104F on| 9 118F off ! DOUBTFUL ! below its control
      burner-log ! log=0 glow| 32 flame| 37 off| 100 glow| 130 flame| 900 off ! DOUBTFUL ! lost within seconds
      burner-log ! log=0 glow| 45 off| 120 glow| 150 flame| 900 off ! DOUBTFUL ! without flame
      burner-log ! log=0 glow| 32 flame| 1300 off| 1450 glow| 1475 flame| 1600 off ! GOOD ! Every trial good
      burner-log ! log=0 glow| 45 off| 120 glow| 165 off ! BAD ! no flame
      burner-log ! log=0 glow| 32 flame| 900 off| 1000 glow| 1045 off ! BAD ! open when warm
      airflow ! watts=10 kW;in=20;out=64;due=1200 cfm ! BAD ! Too little
      airflow ! watts=10 kW;in=20;out=34;due=1200 cfm ! GOOD ! enough
      airflow ! watts=10 kW;in=20;out=28;due=1200 cfm ! DOUBTFUL ! less heat
      supply ! system=split-phase 120/240;line=3;leg-one=119;leg-two=116 ! BAD ! fed back
      supply ! system=split-phase 120/240;line=119;leg-one=119;leg-two=0.4 ! BAD ! Dead leg
      supply ! system=split-phase 120/240;line=240;leg-one=160;leg-two=80 ! BAD ! Open neutral
      supply ! system=split-phase 120/240;line=208;leg-one=120;leg-two=120 ! DOUBTFUL ! three-phase
      supply ! system=split-phase 120/240;line=240;leg-one=120;leg-two=208 ! BAD ! high leg
      supply ! system=split-phase 120/240;line=224;leg-one=112;leg-two=112 ! GOOD ! Sound
      supply ! system=split-phase 120/240;line=0.2 ! BAD ! Dead
      flame-rod ! amperes=3.1 uA ! GOOD ! Flame is seen
      flame-rod ! amperes=3 ! GOOD ! Flame is seen
      flame-rod ! amperes=0.3 uA ! BAD ! not seen
      flame-rod ! amperes=0;volts=90 ! BAD ! not seen
      moisture-bars ! dry=OL;wet=OL ! BAD ! No change when wet
      moisture-bars ! dry=OL;wet=2M ! DOUBTFUL ! wet finger
      moisture-bars ! dry=OL;wet=200k ! GOOD ! Sound
      moisture-bars ! dry=40k;wet=20k ! BAD ! will not end
      start-switch ! pressed=0.1;let-go=0.1 ! BAD ! Welded
      start-switch ! pressed=OL;let-go=OL ! BAD ! Does not close
      start-switch ! pressed=0.1;let-go=OL ! GOOD ! Sound
      belt ! drum=hardly turns;switch=0.1 ! BAD ! holds the drum
      belt ! drum=drags and springs back a little;switch=0.1 ! GOOD ! belt is on
      belt ! drum=spins far too freely ! DOUBTFUL ! Feel it
      belt ! drum=spins far too freely;switch=OL ! BAD ! off or torn
      meter ! function=AC volts;reading=48.2;percent=1;digits=3;low-z=1.1 ! DOUBTFUL ! ghost
      water ! hardness=3 ! GOOD ! Soft
      water ! hardness=8 gpg ! DOUBTFUL ! Hard
      water ! hardness=14 ! DOUBTFUL ! Very hard
      water ! hardness=20 dH ! DOUBTFUL ! Very hard
      water ! hardness=4 dH;relief=8 years ! DOUBTFUL ! relief valve is due
      """)
  void says_what_a_master_would(String key, String typed, CheckResult.Grade grade, String verdict) {
    CheckResult answer = Bench.answer(key, typed);
    assertThat(answer.verdict()).contains(verdict);
    assertThat(answer.grade()).isEqualTo(grade);
    assertThat(answer.because()).isNotEmpty();
    assertThat(answer.next()).isNotBlank();
  }

  /** Arithmetic of the trade's own examples. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '!',
      textBlock =
          """
      element ! watts=4500;volts=240 ! expected-ohms ! 12.8
      element ! watts=3500;volts=240 ! expected-ohms ! 16.457
      element ! watts=5200;volts=240;supply=208 ! heat-share ! 0.7511
      element ! watts=4500;volts=240;ohms=12.8;supply=208 ! watts ! 3380
      element ! watts=4500;volts=240;case-one=4;case-other=8.8 ! along ! 0.3125
      marking ! marking=L150-45F ! returns-at ! 40.556
      marking ! marking=L250-40 ! acts-at ! 121.11
      marking ! marking=F110-20 ! returns-at ! 32.222
      marking ! marking=L80-50 ! returns-at ! -1.111
      contact ! drop=1;amperes=20 ! watts ! 20
      contact ! drop=1.2;amperes=20 ! ohms ! 0.06
      transformer ! primary=240;secondary=24;va=40;in=240;out=26 ! most-amperes ! 1.6667
      thermopile ! open=500 mV;closed=250 mV;valve=250 mV;ohms=2.5 ! most-watts ! 0.025
      capacitor ! printed=10 uF;amperes=1.395;volts=370;hertz=60 ! microfarads ! 10.0
      capacitor ! printed=10 uF;amperes=0.7226;volts=230;hertz=50 ! microfarads ! 10.0
      capacitor ! printed=10 uF;read=9.2 uF ! off ! -0.08
      wire ! size=14 AWG;length=50 ft;amperes=15;volts=120;celsius=75 ! drop ! 4.605
      wire ! size=12 AWG;length=50 ft;amperes=20;volts=120;celsius=75 ! drop ! 3.86
      wire ! size=10 AWG;length=100 ft;amperes=30;volts=240;celsius=75 ! ohms ! 0.242
      airflow ! watts=10 kW;in=70 F;out=106 F ! cfm ! 877.6
      airflow ! watts=5 kW;in=70 F;out=106 F ! cfm ! 438.8
      water ! hardness=20 dH ! ppm ! 356.9
      water ! hardness=10 gpg ! ppm ! 171.2
      meter ! function=AC volts;reading=240.0;percent=1;digits=3 ! standard-uncertainty ! 1.3967
      meter ! function=ohms;reading=12.8;percent=0.9;digits=2;leads=0.3 ! value ! 12.5
      supply ! system=split-phase 120/240;line=208 ! heat-share ! 0.7511
      cycle-log ! control=68;limit=118;log=0 20C on| 6 69C off| 8 60C on ! duty ! 0.75
      burner-log ! log=0 glow| 30 flame| 330 off ! burnt ! 300
      sequencer ! one-in=12 ! one-in ! 12
      sequencer ! log=5 call| 17 one-in ! one-in ! 12
      igniter ! ohms=75 ! ohms ! 75
      """)
  void computes_what_the_trade_computes(String key, String typed, String name, double value) {
    assertThat(Bench.result(Bench.answer(key, typed), name))
        .isCloseTo(value, within(0.002 * Math.max(1e-3, Math.abs(value))));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '!',
      textBlock =
          """
      marking=L250-40F;celsius=180 F ! Closed
      marking=L250-40F;celsius=251 F ! Open
      marking=L250-40F;celsius=230 F ! open or closed here
      marking=L250-40F;celsius=230 F;before=colder ! Closed
      marking=L250-40F;celsius=230 F;before=hotter ! Open
      marking=F110-20;celsius=100 F;before=colder ! Open
      marking=L250-40F, L140-20F ! Opens
      marking=L180 ! Opens at 82.2 C (180 F) on rise; how far it has to cool is not printed
      marking=155F ! Opens at 68.3 C (155 F)
      marking=85C ! Opens at 85.0 C
      marking=L 220-40 F ! closes again at 82.2 C (180 F)
      marking=L250/140;celsius=180 F ! Open
      marking=L225-30F;reset=by its button ! until its button is pressed
      marking=F120 ! Closes at
      marking=L250-40F, L140-20F;celsius=180 F ! Open
      marking=L250-40F, L140-20F;celsius=90 F ! Closed
      """)
  void a_discs_state_depends_on_where_it_comes_from(String typed, String state) {
    assertThat(Bench.answer("marking", typed).verdict()).contains(state);
  }
}

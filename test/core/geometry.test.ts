import { expect } from 'chai';
import fc from 'fast-check';
import {
  alongBack,
  armOutDeg,
  clearForArmOut,
  datumFromRear,
  elbowAbove,
  elbowDeg,
  headAbove,
  hollowFromRear,
  kneeDeg,
  legPosture,
  panAngle,
  panHeight,
  thighTopAbove,
  trunkMomentNm,
  trunkThighDeg,
} from '../../src/core/posture';
import { cosDeg } from '../../src/core/units';

const round = (value: number): number => Math.round(value * 10) / 10;

describe('the pan', () => {
  it('keeps its height where it is level', () => expect(panHeight(450, 300, 120, 0)).to.equal(450));

  it('moves its front edge by −61, −31 and 0 mm at −8° on 440 mm, by where the axis lies', () => {
    expect(Math.round(panHeight(0, 440, 0, -8))).to.equal(-61);
    expect(Math.round(panHeight(0, 440, 220, -8))).to.equal(-31);
    expect(panHeight(0, 440, 440, -8)).to.be.closeTo(0, 1e-9);
  });

  it('follows the back by the synchro ratio, or not at all', () => {
    expect(panAngle(-2, 14, 2, 3)).to.equal(2);
    expect(panAngle(-2, 14, 2, null)).to.equal(-2);
    expect(panAngle(0, 12, 2, 1)).to.equal(10);
  });

  it('finds the hollow of the knee and the seated datum', () => {
    expect(hollowFromRear(480, 20, 35)).to.equal(495);
    expect(datumFromRear(20, 35)).to.equal(155);
    expect(datumFromRear(0, 0)).to.equal(140);
    // A child half as long sits half as far forward.
    expect(datumFromRear(20, 35, 0.5)).to.equal(85);
  });
});

describe('a leg on a seat', () => {
  const shank = 420 - 66;

  it('hangs by as much as the seat is too high', () => {
    const leg = legPosture({
      hollowMm: 460,
      soleMm: 20,
      poplitealMm: 420,
      ankleMm: 66,
      reachMm: 340,
      panDeg: 0,
      wantedDeg: 0,
    });
    expect(leg).to.deep.equal({ gapMm: 20, shankDeg: 0, thighDeg: 0 });
  });

  it('stands upright at exactly its own height', () => {
    expect(
      legPosture({
        hollowMm: 440,
        soleMm: 20,
        poplitealMm: 420,
        ankleMm: 66,
        reachMm: 340,
        panDeg: 0,
        wantedDeg: 0,
      }),
    ).to.deep.equal({ gapMm: 0, shankDeg: 0, thighDeg: 0 });
  });

  it('puts the foot forward before the knee rises', () => {
    const leg = legPosture({
      hollowMm: 440 - 5,
      soleMm: 20,
      poplitealMm: 420,
      ankleMm: 66,
      reachMm: 340,
      panDeg: 0,
      wantedDeg: 0,
    });
    expect(leg.gapMm).to.equal(-5);
    expect(leg.thighDeg).to.equal(0);
    expect(shank * cosDeg(leg.shankDeg)).to.be.closeTo(shank - 5, 1e-6);
  });

  it('raises the knee once the foot is 15° forward', () => {
    const leg = legPosture({
      hollowMm: 440 - 50,
      soleMm: 20,
      poplitealMm: 420,
      ankleMm: 66,
      reachMm: 340,
      panDeg: 0,
      wantedDeg: 0,
    });
    expect(leg.shankDeg).to.be.closeTo(15, 1e-9);
    expect(leg.thighDeg).to.be.greaterThan(0);
    // The knee stands at sole + ankle + shank cos 15°; the seat lies 50 below the upright leg.
    const lift = 20 + 66 + shank * cosDeg(15) - 390;
    expect(340 * Math.sin((leg.thighDeg * Math.PI) / 180)).to.be.closeTo(lift, 1e-6);
  });

  it('never lowers the knee by raising a level seat', () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 700 }), (hollow) => {
        expect(
          legPosture({
            hollowMm: hollow,
            soleMm: 20,
            poplitealMm: 420,
            ankleMm: 66,
            reachMm: 340,
            panDeg: 0,
            wantedDeg: 0,
          }).thighDeg,
        ).to.be.at.least(0);
      }),
      { seed: 41 },
    );
  });

  it('changes without a jump as the seat goes down', () => {
    let before = legPosture({
      hollowMm: 480,
      soleMm: 20,
      poplitealMm: 420,
      ankleMm: 66,
      reachMm: 340,
      panDeg: 0,
      wantedDeg: 0,
    });
    for (let hollow = 479; hollow > 360; hollow--) {
      const leg = legPosture({
        hollowMm: hollow,
        soleMm: 20,
        poplitealMm: 420,
        ankleMm: 66,
        reachMm: 340,
        panDeg: 0,
        wantedDeg: 0,
      });
      expect(leg.thighDeg - before.thighDeg).to.be.within(-1e-9, 0.5);
      before = leg;
    }
  });

  it('lets the foot stand flat under a raised knee where the thigh is wanted higher', () => {
    const flat = legPosture({
      hollowMm: 440 - 11,
      soleMm: 20,
      poplitealMm: 420,
      ankleMm: 66,
      reachMm: 340,
      panDeg: 0,
      wantedDeg: 6,
    });
    expect(flat.shankDeg).to.be.closeTo(0, 1e-6);
    expect(340 * Math.sin((flat.thighDeg * Math.PI) / 180)).to.be.closeTo(11, 1e-6);
    // Wanted in between, it stands in between.
    const between = legPosture({
      hollowMm: 440 - 11,
      soleMm: 20,
      poplitealMm: 420,
      ankleMm: 66,
      reachMm: 340,
      panDeg: 0,
      wantedDeg: 1,
    });
    expect(between.thighDeg).to.equal(1);
    expect(between.shankDeg).to.be.within(1, 14);
  });

  it('rests as high as a method raises the knee, and less where the foot does not bear it', () => {
    const raised = 440 + 340 * Math.sin((4 * Math.PI) / 180);
    expect(
      legPosture({
        hollowMm: raised,
        soleMm: 20 + (raised - 440),
        poplitealMm: 420,
        ankleMm: 66,
        reachMm: 340,
        panDeg: 0,
        wantedDeg: 4,
        restDeg: 4,
      }),
    ).to.deep.include({ thighDeg: 4 });
    const high = legPosture({
      hollowMm: raised,
      soleMm: 20,
      poplitealMm: 420,
      ankleMm: 66,
      reachMm: 340,
      panDeg: 0,
      wantedDeg: 4,
      restDeg: 4,
    });
    expect(high.gapMm).to.be.closeTo(raised - 440, 1e-9);
    expect(high.thighDeg).to.be.closeTo(0, 1e-9);
  });

  it('has angles that count from level and upright', () => {
    expect(kneeDeg(0, 0)).to.equal(90);
    expect(kneeDeg(-3, 5)).to.equal(98);
    expect(trunkThighDeg(10, -5)).to.equal(105);
  });
});

describe('the elbow', () => {
  it('hangs at its measured height when upright', () =>
    expect(elbowAbove({ shoulderMm: 590, elbowMm: 240, backDeg: 0, forwardDeg: 0, outDeg: 0 })).to.equal(
      240,
    ));

  it('sinks when leaning back and rises when held out', () => {
    expect(
      round(elbowAbove({ shoulderMm: 590, elbowMm: 240, backDeg: 15, forwardDeg: 0, outDeg: 0 })),
    ).to.equal(round(590 * cosDeg(15) - 350));
    expect(
      elbowAbove({ shoulderMm: 590, elbowMm: 240, backDeg: 0, forwardDeg: 0, outDeg: 15 }),
    ).to.be.greaterThan(240);
  });

  it('is bent by 90° with the hand level and more with the hand lower', () => {
    expect(elbowDeg(680, 680, 250)).to.equal(90);
    expect(elbowDeg(680, 650, 250)).to.be.greaterThan(90);
    expect(elbowDeg(680, 710, 250)).to.be.lessThan(90);
  });

  it('stands out by an angle that its inverse takes back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 380, max: 560 }), fc.integer({ min: 300, max: 500 }), (clear, elbows) => {
        const out = armOutDeg(clear, {
          padWidthMm: 90,
          elbowBreadthMm: elbows,
          forearmBreadthMm: 90,
          upperArmMm: 350,
        });
        expect(
          clearForArmOut(out, {
            padWidthMm: 90,
            elbowBreadthMm: elbows,
            forearmBreadthMm: 90,
            upperArmMm: 350,
          }),
        ).to.be.closeTo(clear, 1e-6);
      }),
      { seed: 42 },
    );
    // Pads whose middles stand as far apart as the hanging elbows: (400 + 90) − (580 − 90) = 0.
    expect(
      armOutDeg(400, { padWidthMm: 90, elbowBreadthMm: 580, forearmBreadthMm: 90, upperArmMm: 350 }),
    ).to.equal(0);
  });
});

describe('head, thigh and trunk', () => {
  it('keeps the head level above the leaning trunk', () => {
    expect(headAbove(590, 770, 0)).to.equal(770);
    expect(headAbove(590, 770, 20)).to.be.closeTo(590 * cosDeg(20) + 180, 1e-9);
    expect(alongBack(590, 650, 0)).to.equal(650);
    expect(alongBack(590, 650, 60)).to.be.closeTo(620, 1e-9);
  });

  it('lifts the top of a rising thigh with the distance', () => {
    expect(thighTopAbove(140, 0, 300)).to.equal(140);
    expect(thighTopAbove(140, 5, 300)).to.be.greaterThan(thighTopAbove(140, 5, 100));
  });

  it('has no moment upright and one that grows with mass, stature and lean', () => {
    expect(trunkMomentNm(70, 1700, 0)).to.equal(0);
    expect(trunkMomentNm(80, 1700, 15)).to.be.greaterThan(trunkMomentNm(70, 1700, 15));
    expect(trunkMomentNm(70, 1800, 15)).to.be.greaterThan(trunkMomentNm(70, 1700, 15));
    expect(trunkMomentNm(70, 1700, 20)).to.be.greaterThan(trunkMomentNm(70, 1700, 15));
  });
});

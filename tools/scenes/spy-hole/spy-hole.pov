#version 3.7;
// The kiln shed at night: the kiln's face with its spy-hole unplugged, cones and ware inside at about 1330 °C. Unit: 1000 cd/m².
// Lamps: FIRE (the chamber and what leaks from it), LAMP (a weak bulb at the back of the shed).
#ifndef (FIRE) #declare FIRE = 0; #end
#ifndef (LAMP) #declare LAMP = 0; #end
#include "ferrow.inc"
Settings(120, 0.5)
View(<-0.02, 1.40, -1.02>, <0.03, 1.32, 0.35>)
#declare Q = (DRAFT ? 3 : 7);
#declare Hole = <0.05, 1.31, 0.35>;
#declare HotFar = texture { pigment { gradient y scale .5 translate y*1.12 color_map { [0 FireC*1.25] [0.5 FireC*1.0] [1 FireC*.8] } } finish { emission FIRE*18 diffuse 0 } }
#macro Hot(K) TG(texture { pigment { bozo scale .02 color_map { [0 FireC*K*.9] [1 FireC*K*1.08] } } finish { emission FIRE*18 diffuse 0 } }, 0.05, 0) #end

// kiln face with the tunnel of the spy-hole and the stoke door
#declare KilnBrick = BrickT(<.30,.235,.17>, <.20,.125,.085>, <.20,.185,.165>, <.24,.072,.12>)
difference {
  box { <-1.6,0,.35>,<1.6,2.25,.60> }
  cylinder { Hole-z*.01, Hole+z*.30, .031 }
  box { <-1.02,.36,.3>,<-.52,.86,.7> }
  TG(KilnBrick, 0.8, 0)
}
// the frame brick round the hole, and its plug on a ledge
difference {
  box { Hole-<.085,.062,.035>, Hole+<.085,.062,.02> }
  cone { Hole-z*.05, .050, Hole+z*.03, .030 }
  TG(texture { pigment { granite scale .08 color_map { [0 rgb <.34,.28,.22>] [1 rgb <.50,.43,.35>] } } normal { granite .2 scale .05 } finish { diffuse .9 } }, 0.8, 0)
}
cone { <0,0,0>,.030,<.075,0,0>,.042 rotate y*28 translate <.25,1.167,.298> TG(texture { pigment { granite scale .05 color_map { [0 rgb <.30,.25,.20>] [1 rgb <.46,.40,.33>] } } finish { diffuse .9 } }, .8, 0) }
box { <.16,1.105,.27>,<.42,1.13,.36> TG(Rust, .5, 0) }
// the hot chamber: back wall, shelf, pots, three cones, one already bent
box { <-.5,.9,1.30>,<.6,1.8,1.32> TG(HotFar, .04, 0) no_radiosity }
union {
  box { <-.5,1.215,.80>,<.6,1.235,1.3> Hot(.55) }
  cone { <.028,1.235,.86>,.0075,<.030,1.318,.865>,.0016 Hot(.50) }
  cone { <.052,1.235,.86>,.0075,<.055,1.315,.86>,.0016 Hot(.42) }
  sphere_sweep { cubic_spline 6 <.078,1.20,.86>,.0078 <.078,1.235,.86>,.0074 <.080,1.275,.86>,.0055 <.092,1.300,.86>,.0035 <.106,1.290,.86>,.0016 <.114,1.27,.86>,.001 tolerance 1e-4 Hot(.46) }
  box { <.015,1.230,.845>,<.092,1.243,.875> Hot(.36) }
  object { Vase scale .55 translate <-.02,1.235,1.10> Hot(.72) }
  object { Jar scale .62 translate <.13,1.235,1.14> Hot(.66) }
  no_radiosity }
// iron straps and their bolts, buckstays at the sides
box { <-1.6,1.62,.335>,<1.6,1.70,.352> TG(Rust,.6,0) } box { <-1.6,.98,.335>,<1.6,1.05,.352> TG(Rust,.6,0) }
#declare k=0; #while (k<9) sphere { <-1.45+k*.36,1.66,.334>,.017 TG(Rust,.6,0) } sphere { <-1.45+k*.36,1.015,.334>,.015 TG(Rust,.6,0) } #declare k=k+1; #end
box { <.78,0,.26>,<.88,2.25,.36> TG(Rust,.6,0) } box { <-.44,0,.27>,<-.36,2.25,.36> TG(Rust,.6,0) }
// stoke door: iron plate, glow along its edges
box { <-1.0,.38,.33>,<-.535,.845,.345> TG(Rust,.6,0) }
box { <-1.012,.362,.42>,<-.526,.857,.43> TG(texture { pigment { FireC } finish { emission FIRE*.008 diffuse 0 } },.05,0) no_radiosity }
cylinder { <-.72,.62,.31>,<-.60,.62,.31>,.012 TG(Iron,.4,0) }
// glowing joints where the mortar has opened
#macro Chink(P, L, K) box { <0,0,0>,<L,.0014,.004> translate P TG(texture { pigment { bozo turbulence .6 scale .022 color_map { [0 rgb 0] [.42 rgb 0] [.55 FireC*.25] [1 FireC] } } finish { emission FIRE*K diffuse 0 } },.05,0) no_radiosity } #end
Chink(<-.30,1.505,.3475>, .22, .02) Chink(<.33,1.443,.3475>, .17, .010) Chink(<.20,1.867,.3475>, .24, .015) Chink(<-.26,1.22,.3475>, .14, .012) Chink(<.48,.90,.3475>, .22, .008)
// shed: walls, rafters, floor
box { <-2.2,-.01,-2.6>,<2.2,0,2> TG(FloorT,.7,0) }
box { <-2.2,0,-2.6>,<-2.0,3,2> TG(OldWood,.6,0) } box { <2.0,0,-2.6>,<2.2,3,2> TG(OldWood,.6,0) } box { <-2.2,0,-2.7>,<2.2,3,-2.6> TG(OldWood,.6,0) }
difference { box { <-2.2,0,.62>,<2.2,3,.7> } box { <-1.2,.2,.5>,<1.2,2,.8> } TG(OldWood,.6,0) } box { <-2.2,2.6,-2.6>,<2.2,2.65,2> TWood(OldWood) }
#declare k=0; #while (k<3) box { <-2,2.42,-1.3+k*.8>,<2,2.60,-1.2+k*.8> TWood(OldWood) } #declare k=k+1; #end
// the things of a firing: split wood, a bench with gloves of clay-stained leather and test rings, a rake
#declare RW=seed(3); #declare k=0;
#while (k<46)
  #local Row=floor(k/9);
  cylinder { <0,0,0>,<.03*(rand(RW)-.5),.03*(rand(RW)-.5),.5>,.045+rand(RW)*.03 translate <1.02+mod(k,9)*.10+mod(Row,2)*.04,.06+Row*.105,-.22+rand(RW)*.06>
    TG(texture { pigment { wood scale .018 color_map { [0 rgb <.43,.30,.18>] [1 rgb <.22,.14,.08>] } } normal { bumps .4 scale .02 } finish { diffuse .9 } },.7,0) }
  #declare k=k+1;
#end
box { <.92,.84,-.35>,<1.9,.88,.30> TG(PlankT(2),.6,1) } box { <.96,0,-.3>,<1.03,.84,-.23> TG(OldWood,.6,0) }
Ware(Jar, ClayT(<.40,.31,.22>), .8, <1.12,.88,.02>, 0)
Ware(Bowl, ClayT(<.35,.27,.20>), .7, <1.42,.88,-.05>, 0)
#declare k=0; #while (k<5) torus { .02,.006 rotate x*(12*k) translate <.99+k*.045,.887,-.20+mod(k,2)*.05> TG(texture { pigment { rgb <.40,.36,.30> } finish { diffuse .8 specular .5 roughness .02 } },.2,0) } #declare k=k+1; #end
cylinder { <-1.32,0,.12>,<-1.18,1.9,.30>,.016 TG(Iron,.5,0) } box { <-1.46,.0,.08>,<-1.20,.06,.12> TG(Iron,.5,0) }
cylinder { <-1.46,0,.14>,<-1.40,1.75,.31>,.014 TG(Rust,.5,0) }
// light
#if (FIRE)
  light_source { Hole-z*.02, FireC*0.24 spotlight point_at Hole-<0,.02,1> radius 12 falloff 34 tightness 2 fade_distance .3 fade_power 2 }
  light_source { Hole-z*.045, FireC*0.0035 fade_distance .3 fade_power 2 area_light <.05,0,0>,<0,.05,0>,3,3 adaptive 1 jitter }
  #declare k=0; #while (k<4)
    light_source { <-1.02+k*.165,.34,.20>, FireC*0.0022 fade_distance .3 fade_power 2 area_light <.12,0,0>,<0,.05,0>,3,3 adaptive 1 jitter }
    #declare k=k+1;
  #end
  light_source { <-.77,.88,.25>, FireC*0.003 fade_distance .3 fade_power 2 area_light <.4,0,0>,<0,.03,0>,4,2 adaptive 1 jitter }
#end
#if (LAMP)
  light_source { <-1.3,2.2,-1.5>, BulbC*0.004 area_light <.12,0,0>,<0,0,.12>,Q,Q adaptive 1 jitter circular fade_distance 1 fade_power 2 }
#end

#version 3.7;
// From the dark shed through its open door to the yard at noon. Unit: 1000 cd/m².
// Lamps: SKY (skylight), SUN (direct sun and what it bounces).
#ifndef (SKY) #declare SKY = 0; #end
#ifndef (SUN) #declare SUN = 0; #end
#include "ferrow.inc"
Settings(120, 0.5)
View(<0.20, 1.50, -1.05>, <-0.03, 1.16, 2.0>)
#declare Q = (DRAFT ? 3 : 7);
// ---- shed: planks, posts, earth floor, the door swung inwards at the right
difference {
  box { <-2.3,0,-3>,<2.2,2.9,2.12> }
  box { <-2.2,-.1,-2.9>,<2.1,2.8,2.0> }
  box { <-.62,-.1,1.9>,<.50,2.02,2.3> }
  TG(texture { pigment { P_WoodGrain12A color_map { [0 rgb <.14,.105,.078>] [0.6 rgb <.21,.165,.128>] [1 rgb <.10,.078,.06>] } scale .25 rotate x*90 }
    normal { average normal_map { [1 gradient x 1 scallop_wave scale .16] [.7 wrinkles .5 scale <.01,.4,.01>] } } finish { diffuse .9 } }, .6, 0)
}
box { <-2.3,-.05,-3>,<2.2,0,2.3> TG(texture { pigment { granite turbulence .4 scale .7 color_map { [0 rgb <.115,.095,.075>] [1 rgb <.20,.17,.135>] } } normal { average normal_map { [1 bumps .6 scale .07] [1 granite .3 scale .3] } } finish { diffuse .9 } }, .9, 0) }
union { box { <-.72,0,1.96>,<-.62,2.10,2.16> } box { <.50,0,1.96>,<.60,2.10,2.16> } box { <-.72,2.02,1.96>,<.60,2.12,2.16> } box { <-.66,0,1.97>,<.54,.045,2.15> } TG(OldWood,.6,0) }
union {
  #declare k=0; #while (k<7) box { <k*.158,0.04,0>,<k*.158+.153,2.0,.035> } #declare k=k+1; #end
  box { <0,.3,-.03>,<1.1,.42,0> } box { <0,1.6,-.03>,<1.1,1.72,0> }
  rotate y*68 translate <.52,0,1.93>
  TG(OldWood,.6,0) }
// ---- things in the dark: saggars and jars on the left, tools on the right, a barrow
box { <-2.2,.78,-.4>,<-1.55,.82,1.95> TG(OldWood,.6,0) } box { <-2.2,1.45,-.4>,<-1.65,1.49,1.95> TG(OldWood,.6,0) } box { <-2.2,.2,-.4>,<-1.55,.24,1.95> TG(OldWood,.6,0) }
#declare RS=seed(12); #declare k=0;
#while (k<7)
  cylinder { <0,0,0>,<0,.17+rand(RS)*.08,0>,.115+rand(RS)*.02 translate <-1.86+rand(RS)*.06,.82,.10+k*.27> TG(ClayT(<.40,.30,.21>*(.6+rand(RS)*.5)),.7,0) }
  #if (mod(k,2)=0) Ware(Jar, ClayT(<.34,.20,.13>), .9+rand(RS)*.3, <-1.92,1.49,.16+k*.25>, 0) #else Ware(Vase, ClayT(<.30,.26,.21>), .8+rand(RS)*.2, <-1.92,1.49,.16+k*.25>, 0) #end
  cylinder { <0,0,0>,<0,.3,0>,.13 translate <-1.84,.24,.10+k*.28> TG(ClayT(<.26,.19,.13>),.7,0) }
  #declare k=k+1;
#end
cylinder { <1.15,0,1.62>,<1.28,1.75,1.93>,.017 TG(OldWood,.5,0) } box { <1.02,0,1.53>,<1.28,.30,1.60> TG(Rust,.5,0) }
cylinder { <1.50,0,1.55>,<1.46,1.62,1.95>,.016 TG(OldWood,.5,0) }
#declare k=0; #while (k<16) cylinder { <1.36+k*.019,.0,1.46>,<1.42+k*.011,.32,1.60>,.007 TG(texture { pigment { rgb <.30,.21,.10> } finish { diffuse .9 } },.5,0) } #declare k=k+1; #end
union { // barrow
  box { <-.30,.28,-.42>,<.30,.31,.42> } box { <-.32,.30,-.42>,<-.28,.56,.42> rotate z*8 } box { <.28,.30,-.42>,<.32,.56,.42> rotate z*-8 } box { <-.30,.30,.38>,<.30,.62,.42> }
  cylinder { <-.28,.30,-.3>,<-.30,.52,-1.05>,.022 } cylinder { <.28,.30,-.3>,<.30,.52,-1.05>,.022 }
  torus { .17,.03 rotate z*90 translate <0,.19,.58> }
  rotate y*-34 translate <-1.02,0,.72> TG(OldWood,.6,0) }
sphere { <0,0,0>,.26 scale <1,.62,.8> rotate y*-34 translate <-1.03,.46,.75> TG(texture { pigment { granite scale .1 color_map { [0 rgb <.30,.24,.18>] [1 rgb <.42,.35,.27>] } } normal { bumps 1 scale .05 } finish { diffuse .9 } },.8,0) }
// sacks by the door
#macro Sack(P, K, R) superellipsoid { <.55,.45> scale <.24,.34,.18>*K rotate y*R translate P TG(texture { pigment { bozo scale .1 color_map { [0 rgb <.33,.26,.17>] [1 rgb <.42,.34,.235>] } } normal { average normal_map { [1 bumps .9 scale .08] [.6 gradient y .6 scale .006] } } finish { diffuse .9 } },.7,0) } #end
Sack(<1.05,.33,1.18>, 1, 20) Sack(<1.48,.31,1.22>, .95, -14) Sack(<1.28,.74,1.25>, .9, 8)
// ---- the yard
#if (SKY) sky_sphere { pigment { gradient y color_map { [0 SkyC*5.2] [0.3 SkyC*4.0] [1 SkyC*2.6] } } } #else sky_sphere { pigment { rgb 0 } } #end
plane { y, -.03 TG(texture { pigment { granite scale 1.3 turbulence .5 color_map { [0 rgb <.27,.235,.17>] [0.5 rgb <.36,.315,.235>] [1 rgb <.44,.39,.30>] } } normal { average normal_map { [1 bumps .7 scale .10] [1 bumps .5 scale .4] } } finish { diffuse .9 } }, 1, 0)
  clipped_by { box { <-60,-1,2.12>,<60,1,90> } } }
// the workshop across the yard: limewashed wall, blue door, tiled roof, kiln chimney behind
union {
  box { <-4.4,-.1,0>,<4.2,2.4,3> TG(texture { pigment { granite scale .8 color_map { [0 rgb <.56,.53,.47>] [1 rgb <.72,.69,.63>] } } normal { average normal_map { [1 bumps .4 scale .1] [1 granite .2 scale .4] } } finish { diffuse .9 } },.6,0) }
  box { <-.55,0,-.03>,<.42,1.95,.05> TG(texture { pigment { rgb <.075,.13,.17> } normal { gradient x .8 scale .14 } finish { diffuse .85 } },.4,0) }
  box { <1.5,.95,-.02>,<2.6,1.75,.05> TG(texture { pigment { rgb <.02,.025,.028> } finish { diffuse .4 specular .6 roughness .005 reflection { .03,.4 fresnel on } } },.05,0) }
  box { <1.42,.88,-.05>,<2.68,.96,.02> TG(FrameWood,.3,0) } box { <2.02,.95,-.04>,<2.08,1.75,.02> TG(FrameWood,.3,0) } box { <1.44,.95,-.04>,<1.50,1.80,.02> TG(FrameWood,.3,0) } box { <2.60,.95,-.04>,<2.66,1.80,.02> TG(FrameWood,.3,0) }
  prism { linear_sweep linear_spline -4.7,4.5,4 <-.5,2.28>,<3.4,2.28>,<1.5,3.7>,<-.5,2.28> rotate <-90,-90,0> scale <-1,1,1>
    TG(texture { pigment { brick pigment { rgb <.14,.07,.05> }, pigment { bozo scale .25 color_map { [0 rgb <.30,.13,.08>] [1 rgb <.44,.21,.13>] } } brick_size <.24,.24,.26> mortar .018 rotate x*-36 } normal { bumps .7 scale .08 } finish { diffuse .85 } },.6,0) }
  rotate y*-9 translate <.9,0,11.5> }
box { <-4.6,0,15.5>,<-3.6,6.0,16.5> TG(BrickT(<.40,.21,.14>,<.30,.14,.09>,<.36,.33,.29>,<.24,.08,.12>),.8,0) }
// drying boards with bisque, in the sun
#declare k=0;
#while (k<3)
  box { <-1.35,.70+k*0,5.4+k*.42>,<.85,.735,5.72+k*.42> TG(PlankT(k+2),.6,1) }
  #declare j=0; #while (j<8) #if (mod(j+k,3)=0) Ware(Bowl, ClayT(<.66,.56,.45>), .85, <-1.2+j*.28,.735,5.56+k*.42>, 0) #else Ware(Jar, ClayT(<.60,.50,.40>), .62+mod(j,2)*.12, <-1.2+j*.28,.735,5.56+k*.42>, 0) #end #declare j=j+1; #end
  #declare k=k+1;
#end
box { <-1.25,0,5.45>,<-1.15,.70,6.5> TG(OldWood,.6,0) } box { <.65,0,5.45>,<.75,.70,6.5> TG(OldWood,.6,0) }
// firewood against the wall
#declare RW=seed(6); #declare i=0;
#while (i<110)
  cylinder { <0,0,-.3>,<0.02,0,.3>,.07+rand(RW)*.045 translate <-3.3+mod(i,14)*.19+mod(floor(i/14),2)*.08,.08+floor(i/14)*.155,10.2+rand(RW)*.06>
    TG(texture { pigment { wood scale .03 color_map { [0 rgb <.50,.36,.22>] [1 rgb <.30,.20,.12>] } } finish { diffuse .9 } },.7,0) }
  #declare i=i+1;
#end
#declare RL=seed(23);
#macro Crown(C, R, N, Size)
  #local j=0;
  #while (j<N)
    #local th=rand(RL)*2*pi; #local cz=2*rand(RL)-1; #local rr=pow(rand(RL),0.4);
    #local P=C+<R.x*sqrt(1-cz*cz)*cos(th),R.y*cz,R.z*sqrt(1-cz*cz)*sin(th)>*rr;
    #local V=0.75+rand(RL)*0.5; #local Sz=Size*(0.6+rand(RL)*0.8);
    disc { 0, vnormalize(<rand(RL)-.5,rand(RL)*.9+.1,rand(RL)-.5>), Sz translate P
      TG(texture { pigment { rgb <.085,.17,.045>*V } finish { diffuse 0.75, 0.55 specular .12 roughness .05 } },.5,0) }
    #local j=j+1;
  #end
#end
#declare NL = (DRAFT ? 0.25 : 1);
Crown(<-3.4,3.6,9.2>, <1.9,1.8,1.5>, 5200*NL, .07) cylinder { <-3.4,0,9.2>,<-3.35,3,9.2>,.12 TG(OldWood,.6,0) }
Crown(<4.6,3.2,15>, <2.4,2.2,1.8>, 3200*NL, .10) cylinder { <4.6,0,15>,<4.6,3,15>,.15 TG(OldWood,.6,0) }
// a bicycle's worth of things: tub and bucket by the door
cylinder { <1.25,0,7.2>,<1.25,.42,7.2>,.34 TG(texture { pigment { rgb <.30,.31,.315> } normal { gradient y .4 scale .1 } finish { diffuse .5 specular .6 roughness .04 metallic reflection .12 } },.3,0) }
// ---- light
#if (SUN) light_source { <16,34,-3>*40, SunC*27 area_light <11,0,0>,<0,0,11>,4,4 adaptive 1 jitter circular orient } #end
#if (SKY) light_source { <-.06,1.05,2.02>, SkyC*.75 area_light <1.0,0,0>,<0,1.8,0>,Q,Q adaptive 2 jitter spotlight point_at <-.06,.6,-1.2> radius 62 falloff 90 fade_distance .9 fade_power 2 } #end

#version 3.7;
// The tile board: 24 test tiles of stated reflectance, the last row neutral. Unit: 1000 cd/m².
// Lamps: DAY (window light), TUNGSTEN, COOL (a tube that pulses with the mains).
#ifndef (DAY) #declare DAY = 0; #end
#ifndef (TUNGSTEN) #declare TUNGSTEN = 0; #end
#ifndef (COOL) #declare COOL = 0; #end
#include "ferrow.inc"
Settings(120, 0.5)
View(<0.0, 1.35, -0.62>, <0.0, 1.34, 0.30>)
#declare Q = (DRAFT ? 3 : 7);
// Reflectances, linear Rec. 709; scene.json states the same.
#declare Tile = array[24] {
  <.145,.085,.060>, <.500,.300,.220>, <.105,.190,.330>, <.095,.150,.060>, <.230,.220,.440>, <.130,.500,.400>,
  <.650,.200,.030>, <.065,.105,.380>, <.520,.085,.110>, <.100,.045,.140>, <.340,.480,.055>, <.740,.360,.030>,
  <.035,.055,.280>, <.060,.290,.075>, <.420,.030,.040>, <.800,.580,.020>, <.480,.080,.290>, <.020,.240,.370>,
  <.880,.880,.880>, <.590,.590,.590>, <.360,.360,.360>, <.180,.180,.180>, <.090,.090,.090>, <.031,.031,.031> }
box { <-2.6,0,-2.6>,<2.6,2.8,.40> hollow inverse TG(texture { Limewash },.6,0) }
box { <-2.6,-.02,-2.6>,<2.6,0,.4> TG(FloorT,.7,0) }
// the board: oak with a frame, hung on the wall
box { <-.44,1.03,.318>,<.44,1.65,.34> TG(PlankT(6),.6,1) }
box { <-.46,1.01,.30>,<.46,1.035,.36> TWood(FrameWood) } box { <-.46,1.645,.30>,<.46,1.67,.36> TWood(FrameWood) } box { <-.465,1.01,.30>,<-.44,1.67,.36> TG(FrameWood,.4,0) } box { <.44,1.01,.30>,<.465,1.67,.36> TG(FrameWood,.4,0) }
#declare k=0;
#while (k<24)
  #local X=-.3425+mod(k,6)*.137; #local Y=1.5475-floor(k/6)*.1385;
  superellipsoid { <.08,.2> scale <.0575,.0575,.007> translate <X,Y,.311> TG(texture { pigment { rgb Tile[k] } finish { diffuse 1 } },.06,0) }
  cylinder { <X,Y+.052,.303>,<X,Y+.052,.308>,.0028 TG(Iron,.3,0) }
  #declare k=k+1;
#end
// a shelf below with glaze jars and brushes, the light above
box { <-.75,.78,.12>,<.75,.81,.40> TG(PlankT(3),.6,1) }
Glazed(Jar, GlazeT(<.028,.125,.155>,<.01,.02,.03>), .62, <-.46,.81,.26>, 0)
Glazed(Jar, GlazeT(<.38,.15,.055>,<.08,.05,.03>), .55, <-.28,.81,.28>, 0)
Ware(Cup, ClayT(<.66,.60,.515>), 1.1, <-.10,.81,.24>, 0)
Glazed(Cup, GlazeT(<.42,.385,.30>,<.16,.09,.04>), 1.1, <.05,.81,.27>, 0)
Glazed(Bottle, GlazeT(<.19,.33,.265>,<.08,.10,.06>), 1.0, <.24,.81,.27>, 0)
Ware(Bowl, ClayT(<.50,.43,.34>), .6, <.46,.81,.26>, 0)
#declare RT=seed(8); #declare k=0;
#while (k<5) cylinder { <0,.01,0>,<0,.17+rand(RT)*.03,0>,.0035 rotate <(rand(RT)-.5)*16,0,(rand(RT)-.5)*18> translate <-.10,.81,.24> TG(texture { pigment { rgb <.42,.29,.16> } finish { diffuse .9 } },.4,0) } #declare k=k+1; #end
#macro Sheet(C, K, P) light_source { P, C*K area_light <0,.9,0>,<.5,0,0>,Q,Q adaptive 2 jitter fade_distance 1.6 fade_power 2 } #end
#if (DAY) Sheet(DayC, .60, <-1.55,1.6,-1.15>) Sheet(DayC, .52, <1.55,1.5,-1.15>) #end
#if (TUNGSTEN) Sheet(BulbC, .42, <1.35,1.9,-1.2>) Sheet(BulbC, .30, <-1.35,1.9,-1.2>) #end
#if (COOL) light_source { <0,2.5,-1.15>, CoolC*.75 area_light <1.3,0,0>,<0,0,.05>,Q,2 adaptive 2 jitter fade_distance 1.6 fade_power 2 } light_source { <0,.5,-1.5>, CoolC*.22 area_light <1.6,0,0>,<0,0,.6>,Q,Q adaptive 2 jitter fade_distance 1.6 fade_power 2 } #end

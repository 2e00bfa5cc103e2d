#version 3.7;
// The glaze table: three glazed pots at 0.35, 0.5 and 0.8 m, a lamp behind a paper diffuser. Unit: 1000 cd/m².
// Lamps: LEFT, BACK, RIGHT (the one lamp at three places), AMBIENT (what comes in through the shutters).
#ifndef (LEFT) #declare LEFT = 0; #end
#ifndef (BACK) #declare BACK = 0; #end
#ifndef (RIGHT) #declare RIGHT = 0; #end
#ifndef (AMBIENT) #declare AMBIENT = 0; #end
#include "ferrow.inc"
Settings(120, 0.5)
View(<0, 1.07, -0.40>, <0.035, 0.935, 0.12>)
#declare Q = (DRAFT ? 3 : 7);
#declare Target = <0.03, 0.93, 0.12>;

// the diffuser: paper on a wooden frame, 0.5 × 0.5 m; its radiance follows from the light it gives
#macro Diffuser(At, On)
  #local N = vnormalize(Target-At);
  #local U = vnormalize(vcross(<0,1,0.001>, N))*0.25;
  #local V = vnormalize(vcross(N, U))*0.25;
  #if (On)
    light_source { At+N*0.03, BulbC*1.0 area_light U*1.7, V*1.7, Q, Q adaptive 2 jitter
      spotlight point_at Target radius 70 falloff 89 fade_distance 0.5 fade_power 2 }
    mesh {
      triangle { At-U-V, At+U-V, At+U+V } triangle { At-U-V, At+U+V, At-U+V }
      texture { pigment { bozo scale .2 color_map { [0 BulbC*0.93] [1 BulbC*1.04] } } finish { emission 5.6 diffuse 0 } }
      no_radiosity no_shadow }
  #end
#end
Diffuser(<-0.66, 1.36, 0.02>, LEFT)
Diffuser(<0.10, 1.72, 0.52>, BACK)
Diffuser(<0.76, 1.24, -0.02>, RIGHT)
#if (AMBIENT)
  light_source { <-1.6, 1.9, -1.6>, SkyC*0.9 area_light <1.2,0,-.6>,<0,1.2,0>,Q,Q adaptive 2 jitter fade_distance 1.2 fade_power 2 }
#end

// the room is dark plaster; the table stands before a sheet of warm grey paper that curves up
box { <-2.4,0,-2.4>,<2.4,2.7,2.4> hollow inverse T(texture { pigment { granite scale .6 color_map { [0 rgb <.17,.165,.16>] [1 rgb <.25,.24,.23>] } } normal { bumps .3 scale .05 } finish { diffuse .9 } }) }
box { <-1.1,.80,-.25>,<1.1,.8595,.95> TG(PlankT(4), 0.55, 1) }
#declare Paper = texture { pigment { granite scale .5 color_map { [0 rgb <.36,.35,.335>] [1 rgb <.40,.39,.372>] } } normal { bumps .06 scale .3 } finish { diffuse .95 } }
union {
  box { <-1.05,.8595,-.17>,<1.05,.8605,.62> }
  intersection { difference { cylinder { <-1.05,1.1105,.62>,<1.05,1.1105,.62>,.2510 } cylinder { <-1.2,1.1105,.62>,<1.2,1.1105,.62>,.2500 } } box { <-1.05,.85,.62>,<1.05,1.1105,.9> } }
  box { <-1.05,1.1105,.870>,<1.05,2.0,.871> }
  TG(Paper, 0.3, 0) }
// pots: cup 0.35 m, bottle 0.5 m, vase 0.8 m from the eye
Glazed(Cup, GlazeT(<.42,.385,.30>,<.16,.09,.04>), 1.12, <-0.102,.8605,-0.098>, 20)
Glazed(Bottle, GlazeT(<.022,.035,.055>,<.30,.19,.10>), 1.05, <0.035,.8605,0.075>, 0)
Glazed(Vase, GlazeT(<.19,.33,.265>,<.08,.10,.06>), 0.58, <0.205,.8605,0.345>, 0)
// a stopper, a tasting dish with glaze, a brush
Glazed(Dish, GlazeT(<.38,.15,.055>,<.08,.05,.03>), 0.52, <-0.17,.8605,0.20>, 0)
union {
  cylinder { <0,0,0>,<0.16,0.004,0>,.0042 TG(texture { pigment { rgb <.30,.17,.08> } finish { diffuse .8 specular .4 roughness .02 } }, .4, 1) }
  cylinder { <-.018,-0.0004,0>,<0,0,0>,.005 T(texture { pigment { rgb <.45,.40,.30> } finish { diffuse .3 specular .9 roughness .02 metallic } }) }
  cone { <-.05,-0.003,0>,.0012,<-.018,0,0>,.0055 T(texture { pigment { rgb <.10,.075,.055> } normal { gradient y 1 scale .001 } finish { diffuse .9 } }) }
  rotate y*24 translate <-0.235,.868,.075> }
// dust and crumbs of dry glaze
#declare RD=seed(31); #declare k=0;
#while (k<260)
  sphere { <-.34+rand(RD)*.68,.8606,-.14+rand(RD)*.6>,.00022+pow(rand(RD),4)*.0011 T(texture { pigment { rgb <.62,.60,.55> } finish { diffuse .9 } }) }
  #declare k=k+1;
#end
// reflector card at the right, grey card at the back
box { <-.001,0,-.13>,<.001,.26,.13> rotate z*-7 rotate y*-28 translate <0.39,.8605,0.16> T(texture { pigment { rgb <.86,.86,.85> } finish { diffuse 1 } }) }
box { <-.0005,0,-.05>,<.0005,.012,.05> rotate y*-28 translate <0.402,.8605,0.17> T(Iron) }
box { <-.028,0,0>,<.028,.075,.0015> rotate <12,10,0> translate <-0.055,.8607,0.30> TG(texture { pigment { rgb .18 } finish { diffuse 1 } }, 0.1, 0) }

#version 3.7;
// The wheel bench by the window of Ferrow Kiln. Unit: 1000 cd/m².
// Lamps: WINDOW (skylight), SUN (direct sun and what it bounces), LAMP (tungsten over the bench).
// Moving part 1: the wheel's head and the pot on it, about the upright axis through WheelAt (scene.json repeats it).
#ifndef (WINDOW) #declare WINDOW = 0; #end
#ifndef (SUN) #declare SUN = 0; #end
#ifndef (LAMP) #declare LAMP = 0; #end
#include "ferrow.inc"
Settings(120, 0.5)
View(<0.12, 1.43, -1.30>, <0.02, 1.10, 0.35>)
#declare Q = (DRAFT ? 3 : 7);

// ---- the room, its window reveal deep in the wall
difference {
  box { <-2.3,-0.1,-2.6>, <2.3,2.9,2.45> }
  box { <-2.1,0,-2.4>, <2.1,2.75,2.1> }
  box { <-1.12,1.06,2.0>, <-0.06,2.30,2.6> }
  T(texture { Limewash } texture { Stain })
}
box { <-2.1,-0.02,-2.4>,<2.1,0.001,2.1> T(FloorT) }
// beams
#declare k=0; #while (k<3) box { <-2.1,2.62,-1.2+k*1.25>,<2.1,2.80,-1.04+k*1.25> TWood(ShelfWood) } #declare k=k+1; #end
union {
  box { <-1.20,1.02,1.96>,<0.02,1.06,2.42> }
  box { <-1.12,1.06,2.30>,<-1.07,2.30,2.37> } box { <-0.11,1.06,2.30>,<-0.06,2.30,2.37> }
  box { <-1.12,2.25,2.30>,<-0.06,2.30,2.37> } box { <-1.12,1.06,2.30>,<-0.06,1.11,2.37> }
  box { <-0.607,1.06,2.31>,<-0.573,2.30,2.355> }
  box { <-1.12,1.475,2.315>,<-0.06,1.50,2.35> } box { <-1.12,1.885,2.315>,<-0.06,1.91,2.35> }
  TG(FrameWood, 0.3, 0)
}

// ---- outside: sky, yard, the kiln shed with its chimney, hedge and tree
#if (WINDOW)
  sky_sphere { pigment { gradient y color_map { [0 SkyC*5.6] [0.25 SkyC*4.4] [1 SkyC*3.0] } } }
#else
  sky_sphere { pigment { rgb 0 } }
#end
plane { y, -0.45
  T(texture { pigment { granite scale 1.1 turbulence .4 color_map { [0 rgb <.20,.19,.13>] [0.5 rgb <.30,.28,.20>] [1 rgb <.40,.36,.27>] } } normal { bumps 0.5 scale 0.12 } finish { diffuse .9 } })
  clipped_by { box { <-60,-1,2.5>,<60,1,90> } } }
union {
  box { <0,-0.5,0>,<2.6,2.05,4.4> T(texture { pigment { granite scale .7 color_map { [0 rgb <.48,.45,.39>] [1 rgb <.63,.60,.53>] } } normal { bumps .4 scale .08 } finish { diffuse .9 } }) }
  box { <-.01,-0.5,1.2>,<.05,1.5,2.1> T(texture { pigment { rgb <.11,.15,.145> } normal { gradient z .6 scale .12 } finish { diffuse .8 } }) }
  prism { linear_sweep linear_spline -0.18, 4.58, 4, <-0.22,1.98>,<2.82,1.98>,<1.3,3.0>,<-0.22,1.98> rotate x*-90 scale <1,1,-1>
    T(texture { pigment { brick rgb <.16,.075,.05>, rgb <.36,.15,.09> brick_size <.26,.22,.3> mortar .016 rotate x*-35 } normal { bumps .5 scale .06 } finish { diffuse .85 } }) }
  box { <1.0,2.4,3.0>,<1.7,4.3,3.7> T(texture { pigment { brick rgb <.34,.30,.26>, rgb <.42,.20,.13> brick_size <.22,.075,.11> mortar .012 } normal { bumps .4 scale .03 } finish { diffuse .9 } }) }
  rotate y*-22 translate <-1.55,0,8.0>
}
// stacked firewood by the shed
#declare RW=seed(5); #declare i=0;
#while (i<60)
  cylinder { <0,0,0>,<0.02,0,.55>,.055+rand(RW)*.035
    T(texture { pigment { wood scale .02 color_map { [0 rgb <.45,.31,.18>] [1 rgb <.26,.16,.09>] } } finish { diffuse .9 } })
    rotate y*-22 translate <-3.55+mod(i,12)*.15+rand(RW)*.03, -.38+floor(i/12)*.14, 7.6-mod(i,12)*.05> }
  #declare i=i+1;
#end
// leaves: small two-sided discs that let light through
#declare RL=seed(21);
#macro Crown(C, R, N, Size)
  #local j=0;
  #while (j<N)
    #local th=rand(RL)*2*pi; #local cz=2*rand(RL)-1; #local rr=pow(rand(RL),0.4);
    #local P=C+<R.x*sqrt(1-cz*cz)*cos(th),R.y*cz,R.z*sqrt(1-cz*cz)*sin(th)>*rr;
    #local V=0.75+rand(RL)*0.5; #local S=Size*(0.6+rand(RL)*0.8);
    disc { 0, vnormalize(<rand(RL)-.5,rand(RL)*.9+.1,rand(RL)-.5>), S translate P
      T(texture { pigment { rgb <.085,.17,.045>*V } finish { diffuse 0.75, 0.55 specular .12 roughness .05 } }) }
    #local j=j+1;
  #end
#end
#declare NL = (DRAFT ? 0.25 : 1);
Crown(<-5.0,3.3,13.5>, <2.3,2.2,1.8>, 5200*NL, .085)
Crown(<-2.2,3.9,15.0>, <1.9,1.7,1.5>, 3200*NL, .085)
Crown(<-4.2,.35,10.6>, <2.4,.75,.7>, 2600*NL, .05)
cylinder { <-5,-.5,13.5>,<-4.9,2.6,13.5>,.16 TWood(ShelfWood) }
cylinder { <-2.2,-.5,15>,<-2.2,3.0,15>,.14 TWood(ShelfWood) }

// ---- lamps
#if (SUN)
  light_source { <-20,15.5,26>*60, SunC*24 area_light <14,0,0>,<0,14,0>,4,4 adaptive 1 jitter circular orient }
#end
#if (WINDOW)
  light_source { <-0.59,1.68,2.02>, SkyC*2.0 area_light <0.98,0,0>,<0,1.15,0>,Q,Q adaptive 2 jitter
    spotlight point_at <0.12,0.75,-0.5> radius 60 falloff 92 fade_distance 0.8 fade_power 2 }
#end
#declare LampAt = <0.72, 1.60, 0.30>;
#if (LAMP)
  light_source { LampAt-<0,.03,0>, BulbC*0.42 area_light <.06,0,0>,<0,0,.06>,Q,Q adaptive 1 jitter circular
    spotlight point_at <0.66,.86,0.26> radius 52 falloff 68 fade_distance 0.5 fade_power 2 }
#end
// the lamp: an enamel shade on a bent arm from the wall, a frosted bulb in it
union {
  difference {
    cone { LampAt+<0,.13,0>,.03,LampAt+<0,-.01,0>,.135 } cone { LampAt+<0,.126,0>,.028,LampAt+<0,-.0101,0>,.132 }
    T(texture { pigment { rgb <.05,.075,.07> } finish { diffuse .8 specular .6 roughness .01 reflection {0.02,.3 fresnel on} conserve_energy } }) }
  difference {
    cone { LampAt+<0,.1255,0>,.0275,LampAt+<0,-.0095,0>,.1318 open } box { LampAt-<1,1,1>,LampAt-<.9,.9,.9> }
    T(texture { pigment { rgb .72 } finish { diffuse .85 } }) }
  sphere_sweep { cubic_spline 6, LampAt+<0,.05,0>,.009 LampAt+<0,.14,0>,.009 LampAt+<.04,.30,.25>,.009 LampAt+<.12,.30,1.0>,.009 LampAt+<.16,.22,1.80>,.009 LampAt+<.16,.2,2>,.009 T(Iron) }
}
#if (LAMP)
  sphere { LampAt+<0,.012,0>,.032 T(texture { pigment { BulbC } finish { emission 14 diffuse 0 } }) no_shadow }
#else
  sphere { LampAt+<0,.012,0>,.032 T(texture { pigment { rgb .75 } finish { diffuse .8 specular .5 roughness .01 } }) }
#end

// ---- the bench: five planks, worn
#declare k=0;
#while (k<5)
  box { <-1.75,.795,0>,<1.75,.855+mod(k*7,3)*.0012,.285> translate z*(-.62+k*.288)
    TG(PlankT(k+1), 0.55, 1) }
  #declare k=k+1;
#end
box { <-1.7,.66,-.58>,<1.7,.795,-.54> TG(PlankT(9), 0.55, 1) }

// ---- ware
// the wheel: pan, head, a pot half thrown
#declare WheelAt = <-0.17,.856,-0.16>;
difference {
  lathe { linear_spline 9 <0,0>,<.27,0>,<.285,.012>,<.295,.085>,<.303,.088>,<.301,.094>,<.288,.090>,<.276,.016>,<0,.01> }
  box { <-1,-1,-1>,<1,-.0001,1> }
  translate WheelAt
  T(texture { pigment { bozo turbulence .9 scale .09 color_map { [0 rgb <.40,.345,.28>] [0.35 rgb <.23,.25,.25>] [1 rgb <.16,.185,.19>] } } finish { diffuse .85 specular .3 roughness .03 } }) }
cylinder { <0,.01,0>,<0,.055,0>,.05 translate WheelAt T(Iron) }
cylinder { <0,0,0>,<0,.016,0>,.185 TMoves(WheelMetal, 1) translate WheelAt+y*.055 }
cylinder { <0,.0158,0>,<0,.0172,0>,.125 TMoves(WetClay, 1) translate WheelAt+y*.055 }
object { Thrown TMoves(WetClay, 1) scale 1.05 translate WheelAt+y*.0715 }

Ware(Vase, ClayT(<.50,.43,.34>), 1.12, <-0.62,.857,0.36>, 10)
Glazed(Vase, GlazeT(<.50,.48,.40>,<.10,.06,.03>), 0.86, <-0.40,.857,0.56>, 40)
Glazed(Bowl, GlazeT(<.028,.125,.155>,<.01,.02,.03>), 1.02, <0.30,.857,-0.24>, 0)
Ware(Jar, ClayT(<.40,.165,.09>), 1.0, <0.36,.857,0.20>, 0)
#declare k=0; #while (k<5) Ware(Bowl, ClayT(<.66,.60,.515>), 0.64, <0.72+mod(k*5,3)*.004,.857+k*0.031,0.24-mod(k*3,2)*.004>, k*70) #declare k=k+1; #end
Glazed(Jar, GlazeT(<.035,.032,.03>,<.22,.12,.05>), .82, <0.95,.857,0.02>, 60)
Ware(Vase, ClayT(<.055,.05,.046>), .72, <1.02,.857,0.46>, 0)
// tools in the jar
#declare RT=seed(8); #declare k=0;
#while (k<7)
  cylinder { <0,.03,0>,<0,.33+rand(RT)*.07,0>,.0055+rand(RT)*.004 rotate <(rand(RT)-.5)*22,0,(rand(RT)-.5)*22> translate <0.36,.87,0.20>
    T(texture { pigment { wood scale .01 rotate x*90 color_map { [0 rgb <.52,.37,.21>] [1 rgb <.38,.25,.13>] } } finish { diffuse .9 specular .1 roughness .05 } }) }
  #declare k=k+1;
#end
// sponge, rib and water pot by the wheel
isosurface { function { f_ellipsoid(x,y,z,1/.065,1/.036,1/.05)-1+f_noise3d(x*70,y*70,z*70)*.22-0.1 } contained_by { box { -.09,.09 } } max_gradient 40 T(texture { pigment { rgb <.60,.40,.13> } finish { diffuse .9 } }) translate <-.52,.892,-.34> }
cylinder { <0,0,0>,<0,.006,0>,.045 scale <1.4,1,1> rotate <0,25,0> translate <0.10,.858,-0.46> TWood(ShelfWood) }
// the grey card, 18 %, leaning on the jar
box { <-.070,0,0>,<.070,.19,.002> rotate <16,-9,0> translate <0.475,.857,0.015>
  T(texture { pigment { rgb .18 } finish { diffuse 1 } }) }
// shelf
box { <0.22,1.66,1.84>,<2.05,1.695,2.10> TWood(ShelfWood) }
box { <0.40,1.50,2.06>,<0.44,1.66,2.10> T(Iron) } box { <0.40,1.625,1.86>,<0.44,1.66,2.10> T(Iron) }
box { <1.55,1.50,2.06>,<1.59,1.66,2.10> T(Iron) } box { <1.55,1.625,1.86>,<1.59,1.66,2.10> T(Iron) }
Ware(Vase, ClayT(<.58,.50,.41>), .90, <0.36,1.695,1.96>, 0)
Glazed(Jar, GlazeT(<.30,.34,.28>,<.08,.07,.04>), .85, <0.62,1.695,1.97>, 30)
Ware(Bowl, ClayT(<.62,.57,.50>), .75, <0.88,1.695,1.95>, 0)
Ware(Bowl, ClayT(<.60,.54,.47>), .75, <0.885,1.728,1.95>, 80)
Glazed(Vase, GlazeT(<.10,.055,.035>,<.3,.18,.08>), .80, <1.13,1.695,1.97>, 0)
Ware(Jar, ClayT(<.46,.22,.13>), .92, <1.38,1.695,1.96>, 0)
Ware(Vase, ClayT(<.52,.46,.38>), .78, <1.64,1.695,1.97>, 0)
// a sack and a ladder-back stool in the shade under the bench, dark on purpose
Ware(Vase, ClayT(<.10,.085,.07>), 1.5, <0.85,0,0.9>, 0)
box { <-.9,.0,.6>,<-.3,.45,1.2> T(Iron) }


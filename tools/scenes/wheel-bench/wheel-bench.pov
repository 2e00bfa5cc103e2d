#version 3.7;
// The wheel bench by the window of Ferrow Kiln. An invented place.
// Units: metres; x right, y up, z away from the camera. Radiance unit: 1000 cd/m² (a light_source colour C
// gives a white diffuse surface facing it the luminance C, so C = illuminance / (1000 π)).
// Plates: WINDOW (skylight), SUN (direct sun and what it bounces), LAMP (tungsten over the bench), one at a
// time, since light adds up; DEPTH gives the distance from the eye in metres / 64 as a grey value.
#ifndef (WINDOW) #declare WINDOW = 0; #end
#ifndef (SUN) #declare SUN = 0; #end
#ifndef (LAMP) #declare LAMP = 0; #end
#ifndef (DEPTH) #declare DEPTH = 0; #end
#ifndef (DRAFT) #declare DRAFT = 0; #end
#include "colors.inc"
#include "woods.inc"
#include "functions.inc"

global_settings {
  assumed_gamma 1.0
  max_trace_level 10
  #if (!DEPTH)
    radiosity {
      pretrace_start 0.08
      pretrace_end #if (DRAFT) 0.02 #else 0.004 #end
      count #if (DRAFT) 80 #else 500 #end
      nearest_count #if (DRAFT) 8 #else 16 #end
      error_bound #if (DRAFT) 0.6 #else 0.3 #end
      recursion_limit 2 low_error_factor 0.5 gray_threshold 0 minimum_reuse 0.006 maximum_reuse 0.12
      brightness 1 normal off
    }
  #end
}

#declare Eye = <0.12, 1.43, -1.30>;
#declare Aim = <0.02, 1.10, 0.35>;
#declare FarM = 64;
#declare TDepth = texture {
  pigment { spherical color_map { [0 rgb 1] [1 rgb 0] } scale FarM translate Eye }
  finish { emission 1 diffuse 0 ambient 0 }
}
// Everything is textured after it has been placed, so that depth is measured in the room.
#macro T(Tex) #if (DEPTH) texture { TDepth } #else texture { Tex } #end #end
// For parts of what is moved as a whole afterwards: textured now, but for depth only once it stands.
#macro TPart(Tex) #if (!DEPTH) texture { Tex } #end #end
#macro TPlaced() #if (DEPTH) texture { TDepth } #end #end

// ---- light colours, linear Rec. 709 with luminance 1: about 7500 K, 4900 K and 2750 K
#declare SkyC = rgb <0.80, 1.01, 1.46>;
#declare SunC = rgb <1.30, 0.96, 0.66>;
#declare BulbC = rgb <2.02, 0.80, 0.16>;
#declare Q = (DRAFT ? 3 : 9);

// ---- materials
#declare Limewash = texture {
  pigment { granite turbulence 0.3 scale 0.8 color_map { [0 rgb <.50,.485,.45>] [0.35 rgb <.60,.585,.545>] [0.7 rgb <.665,.645,.60>] [1 rgb <.70,.68,.635>] } }
  normal { average normal_map { [1.0 bumps 0.35 scale <0.10,0.05,0.1>] [1.2 granite 0.10 scale 0.25] [0.5 wrinkles 0.25 scale 0.03] } }
  finish { diffuse 0.92 }
}
#declare Stain = texture {
  pigment { bozo turbulence 0.9 scale <0.35,0.5,0.35> color_map { [0 rgbt <.30,.24,.17,.55>] [0.28 rgbt <.4,.34,.26,.9>] [0.5 rgbt 1] [1 rgbt 1] } }
  finish { diffuse 0.9 }
}
#declare FloorT = texture { pigment { granite scale 0.4 color_map { [0 rgb <.13,.115,.10>] [1 rgb <.23,.205,.18>] } } normal { bumps 0.3 scale 0.03 } finish { diffuse .9 specular 0.04 roughness 0.1 } }
#macro PlankT(Seed)
  texture {
    pigment { P_WoodGrain7A color_map { [0 rgb <.30,.185,.105>] [0.35 rgb <.37,.235,.14>] [0.7 rgb <.43,.285,.175>] [1 rgb <.26,.155,.085>] }
      scale 0.22 rotate <0, 90, 0> rotate x*(3+Seed*2.3) translate <Seed*3.1, Seed*0.37, Seed*1.7> }
    normal { average normal_map { [1 wrinkles 0.30 scale <0.35,0.01,0.008>] [0.5 granite 0.12 scale 0.03] } }
    finish { diffuse 0.88 specular 0.10 roughness 0.06 reflection { 0.0, 0.05 fresnel on } conserve_energy }
  }
  texture { pigment { bozo turbulence 0.8 lambda 2.6 scale 0.16 translate Seed*4 color_map { [0 rgbt <.62,.55,.47,.30>] [0.22 rgbt <.60,.53,.45,.78>] [0.42 rgbt 1] [1 rgbt 1] } } finish { diffuse .92 } }
  texture { pigment { granite scale 0.06 color_map { [0 rgbt <.66,.60,.52,.25>] [0.2 rgbt 1] [1 rgbt 1] } } finish { diffuse .92 } }
#end
#declare FrameWood = texture {
  pigment { P_WoodGrain12A color_map { [0 rgb <.50,.49,.455>] [0.8 rgb <.585,.575,.54>] [1 rgb <.40,.38,.34>] } scale 0.2 rotate x*90 }
  normal { wrinkles 0.2 scale <0.01,0.2,0.01> } finish { diffuse .88 specular .08 roughness .05 }
}
#declare ShelfWood = texture { pigment { P_WoodGrain12A color_map { [0 rgb <.25,.155,.085>] [1 rgb <.36,.23,.135>] } rotate y*90 scale 0.2 } normal { wrinkles .2 scale <.3,.01,.01> } finish { diffuse .88 specular .05 roughness .08 } }
#declare Iron = texture { pigment { granite scale 0.05 color_map { [0 rgb <.045,.043,.042>] [1 rgb <.085,.078,.072>] } } normal { granite .06 scale .02 } finish { diffuse .75 specular .35 roughness .05 reflection { 0.02, 0.18 fresnel on } conserve_energy } }
#declare WheelMetal = texture {
  pigment { rgb <.40,.40,.395> } normal { wood 0.25 sine_wave scale 0.0045 rotate x*90 }
  finish { diffuse .35 specular .8 roughness .025 metallic reflection { 0.28 metallic } conserve_energy }
}
#macro GlazeT(Base, Fleck)
  texture {
    pigment { bozo turbulence 0.8 scale 0.035 color_map { [0 rgb Base*0.72] [0.55 rgb Base] [1 rgb Base*1.22] } }
    finish { diffuse 0.85 specular 1.1 roughness 0.0025 reflection { 0.02, 0.45 fresnel on } conserve_energy }
    normal { bumps 0.03 scale 0.02 }
  }
  texture {
    pigment { crackle solid scale 0.0035 color_map { [0 rgbt <Fleck.x,Fleck.y,Fleck.z,0.15>] [0.055 rgbt <Fleck.x,Fleck.y,Fleck.z,0.3>] [0.06 rgbt 1] [1 rgbt 1] } }
    finish { diffuse 0.85 specular 0.9 roughness 0.003 reflection { 0.02, 0.40 fresnel on } conserve_energy }
  }
#end
#macro ClayT(Base)
  texture {
    pigment { granite scale 0.06 color_map { [0 rgb Base*0.80] [0.5 rgb Base] [1 rgb Base*1.10] } }
    normal { average normal_map { [1 gradient y 0.22 sine_wave scale 0.011] [0.6 granite 0.10 scale 0.02] } }
    finish { diffuse 0.92 specular 0.03 roughness 0.12 }
  }
#end
#declare WetClay = texture {
  pigment { granite scale 0.08 color_map { [0 rgb <.27,.215,.165>] [1 rgb <.37,.30,.235>] } }
  normal { average normal_map { [1.4 gradient y 0.35 sine_wave scale 0.013] [0.3 bumps 0.2 scale 0.01] } }
  finish { diffuse 0.85 specular 0.55 roughness 0.012 reflection { 0.015, 0.28 fresnel on } conserve_energy }
}

// ---- the room, its window reveal deep in the wall
difference {
  box { <-2.3,-0.1,-2.6>, <2.3,2.9,2.45> }
  box { <-2.1,0,-2.4>, <2.1,2.75,2.1> }
  box { <-1.12,1.06,2.0>, <-0.06,2.30,2.6> }
  #if (DEPTH) texture { TDepth } #else texture { Limewash } texture { Stain } #end
}
box { <-2.1,-0.02,-2.4>,<2.1,0.001,2.1> T(FloorT) }
// beams
#declare k=0; #while (k<3) box { <-2.1,2.62,-1.2+k*1.25>,<2.1,2.80,-1.04+k*1.25> T(ShelfWood) } #declare k=k+1; #end
union {
  box { <-1.20,1.02,1.96>,<0.02,1.06,2.42> }
  box { <-1.12,1.06,2.30>,<-1.07,2.30,2.37> } box { <-0.11,1.06,2.30>,<-0.06,2.30,2.37> }
  box { <-1.12,2.25,2.30>,<-0.06,2.30,2.37> } box { <-1.12,1.06,2.30>,<-0.06,1.11,2.37> }
  box { <-0.607,1.06,2.31>,<-0.573,2.30,2.355> }
  box { <-1.12,1.475,2.315>,<-0.06,1.50,2.35> } box { <-1.12,1.885,2.315>,<-0.06,1.91,2.35> }
  T(FrameWood)
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
  box { <0,-0.5,0>,<2.6,2.05,4.4> TPart(texture { pigment { granite scale .7 color_map { [0 rgb <.48,.45,.39>] [1 rgb <.63,.60,.53>] } } normal { bumps .4 scale .08 } finish { diffuse .9 } }) }
  box { <-.01,-0.5,1.2>,<.05,1.5,2.1> TPart(texture { pigment { rgb <.11,.15,.145> } normal { gradient z .6 scale .12 } finish { diffuse .8 } }) }
  prism { linear_sweep linear_spline -0.18, 4.58, 4, <-0.22,1.98>,<2.82,1.98>,<1.3,3.0>,<-0.22,1.98> rotate x*-90 scale <1,1,-1>
    TPart(texture { pigment { brick rgb <.16,.075,.05>, rgb <.36,.15,.09> brick_size <.26,.22,.3> mortar .016 rotate x*-35 } normal { bumps .5 scale .06 } finish { diffuse .85 } }) }
  box { <1.0,2.4,3.0>,<1.7,4.3,3.7> TPart(texture { pigment { brick rgb <.34,.30,.26>, rgb <.42,.20,.13> brick_size <.22,.075,.11> mortar .012 } normal { bumps .4 scale .03 } finish { diffuse .9 } }) }
  rotate y*-22 translate <-1.55,0,8.0> TPlaced()
}
// stacked firewood by the shed
#declare RW=seed(5); #declare i=0;
#while (i<60)
  cylinder { <0,0,0>,<0.02,0,.55>,.055+rand(RW)*.035
    TPart(texture { pigment { wood scale .02 color_map { [0 rgb <.45,.31,.18>] [1 rgb <.26,.16,.09>] } } finish { diffuse .9 } })
    rotate y*-22 translate <-3.55+mod(i,12)*.15+rand(RW)*.03, -.38+floor(i/12)*.14, 7.6-mod(i,12)*.05> TPlaced() }
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
cylinder { <-5,-.5,13.5>,<-4.9,2.6,13.5>,.16 T(ShelfWood) }
cylinder { <-2.2,-.5,15>,<-2.2,3.0,15>,.14 T(ShelfWood) }

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
    #if (DEPTH) texture { TDepth } #else PlankT(k+1) #end }
  #declare k=k+1;
#end
box { <-1.7,.66,-.58>,<1.7,.795,-.54> #if (DEPTH) texture { TDepth } #else PlankT(9) #end }

// ---- ware
#declare Bowl = lathe { cubic_spline 11 <0.0,-0.01>,<0.0,0.0>,<0.055,0.0>,<0.058,0.014>,<0.105,0.045>,<0.148,0.108>,<0.145,0.112>,<0.139,0.108>,<0.098,0.052>,<0.0,0.022>,<-0.02,0.02> sturm };
#declare Vase = lathe { cubic_spline 13 <0,-0.02>,<0,0>,<0.07,0>,<0.085,0.02>,<0.125,0.14>,<0.10,0.25>,<0.042,0.31>,<0.056,0.362>,<0.052,0.366>,<0.047,0.36>,<0.036,0.31>,<0.03,0.25>,<0.0,0.05> sturm };
#declare Jar = lathe { cubic_spline 12 <0,-0.02>,<0,0>,<0.075,0>,<0.09,0.02>,<0.098,0.12>,<0.084,0.21>,<0.078,0.235>,<0.074,0.237>,<0.071,0.233>,<0.076,0.2>,<0.0,0.02>,<-.02,.02> sturm };
#declare Thrown = lathe { cubic_spline 12 <0,-0.02>,<0,0>,<0.088,0>,<0.092,0.012>,<0.086,0.06>,<0.100,0.13>,<0.122,0.178>,<0.119,0.184>,<0.112,0.178>,<0.090,0.13>,<0.0,0.03>,<-.02,.03> sturm };
#macro Place(Obj, S, P, Turn) object { Obj scale S rotate y*Turn translate P } #end

// the wheel: pan, head, a pot half thrown
#declare WheelAt = <-0.17,.856,-0.16>;
difference {
  lathe { linear_spline 9 <0,0>,<.27,0>,<.285,.012>,<.295,.085>,<.303,.088>,<.301,.094>,<.288,.090>,<.276,.016>,<0,.01> }
  box { <-1,-1,-1>,<1,-.0001,1> }
  translate WheelAt
  T(texture { pigment { bozo turbulence .9 scale .09 color_map { [0 rgb <.40,.345,.28>] [0.35 rgb <.23,.25,.25>] [1 rgb <.16,.185,.19>] } } finish { diffuse .85 specular .3 roughness .03 } }) }
cylinder { <0,.01,0>,<0,.055,0>,.05 translate WheelAt T(Iron) }
cylinder { <0,0,0>,<0,.016,0>,.185 #if (DEPTH) translate WheelAt+y*.055 texture { TDepth } #else texture { WheelMetal } translate WheelAt+y*.055 #end }
cylinder { <0,.0158,0>,<0,.0172,0>,.125 #if (DEPTH) translate WheelAt+y*.055 texture { TDepth } #else texture { WetClay } translate WheelAt+y*.055 #end }
object { Thrown #if (DEPTH) scale 1.05 translate WheelAt+y*.0715 texture { TDepth } #else texture { WetClay } scale 1.05 translate WheelAt+y*.0715 #end }

#macro Ware(Obj, Tex, S, P, Turn)
  #if (DEPTH) object { Obj scale S rotate y*Turn translate P texture { TDepth } }
  #else object { Obj texture { Tex } scale S rotate y*Turn translate P } #end
#end
Ware(Vase, ClayT(<.50,.43,.34>), 1.12, <-0.62,.857,0.36>, 10)
Ware(Vase, GlazeT(<.50,.48,.40>,<.10,.06,.03>), 0.86, <-0.40,.857,0.56>, 40)
Ware(Bowl, GlazeT(<.028,.125,.155>,<.01,.02,.03>), 1.02, <0.30,.857,-0.24>, 0)
Ware(Jar, ClayT(<.40,.165,.09>), 1.0, <0.36,.857,0.20>, 0)
#declare k=0; #while (k<5) Ware(Bowl, ClayT(<.66,.60,.515>), 0.64, <0.72+mod(k*5,3)*.004,.857+k*0.031,0.24-mod(k*3,2)*.004>, k*70) #declare k=k+1; #end
Ware(Jar, GlazeT(<.035,.032,.03>,<.22,.12,.05>), .82, <0.95,.857,0.02>, 60)
Ware(Vase, ClayT(<.055,.05,.046>), .72, <1.02,.857,0.46>, 0)
// tools in the jar
#declare RT=seed(8); #declare k=0;
#while (k<7)
  cylinder { <0,.03,0>,<0,.33+rand(RT)*.07,0>,.0055+rand(RT)*.004 rotate <(rand(RT)-.5)*22,0,(rand(RT)-.5)*22> translate <0.36,.87,0.20>
    T(texture { pigment { wood scale .01 rotate x*90 color_map { [0 rgb <.52,.37,.21>] [1 rgb <.38,.25,.13>] } } finish { diffuse .9 specular .1 roughness .05 } }) }
  #declare k=k+1;
#end
// sponge, rib and water pot by the wheel
isosurface { function { f_ellipsoid(x,y,z,1/.065,1/.036,1/.05)-1+f_noise3d(x*70,y*70,z*70)*.22-0.1 } contained_by { box { -.09,.09 } } max_gradient 40 #if (DEPTH) translate <-.52,.892,-.34> texture { TDepth } #else texture { pigment { rgb <.60,.40,.13> } finish { diffuse .9 } } translate <-.52,.892,-.34> #end }
cylinder { <0,0,0>,<0,.006,0>,.045 scale <1.4,1,1> rotate <0,25,0> translate <0.10,.858,-0.46> T(ShelfWood) }
// the grey card, 18 %, leaning on the jar
box { <-.070,0,0>,<.070,.19,.002> rotate <16,-9,0> translate <0.475,.857,0.015>
  T(texture { pigment { rgb .18 } finish { diffuse 1 } }) }
// shelf
box { <0.22,1.66,1.84>,<2.05,1.695,2.10> T(ShelfWood) }
box { <0.40,1.50,2.06>,<0.44,1.66,2.10> T(Iron) } box { <0.40,1.625,1.86>,<0.44,1.66,2.10> T(Iron) }
box { <1.55,1.50,2.06>,<1.59,1.66,2.10> T(Iron) } box { <1.55,1.625,1.86>,<1.59,1.66,2.10> T(Iron) }
Ware(Vase, ClayT(<.58,.50,.41>), .90, <0.36,1.695,1.96>, 0)
Ware(Jar, GlazeT(<.30,.34,.28>,<.08,.07,.04>), .85, <0.62,1.695,1.97>, 30)
Ware(Bowl, ClayT(<.62,.57,.50>), .75, <0.88,1.695,1.95>, 0)
Ware(Bowl, ClayT(<.60,.54,.47>), .75, <0.885,1.728,1.95>, 80)
Ware(Vase, GlazeT(<.10,.055,.035>,<.3,.18,.08>), .80, <1.13,1.695,1.97>, 0)
Ware(Jar, ClayT(<.46,.22,.13>), .92, <1.38,1.695,1.96>, 0)
Ware(Vase, ClayT(<.52,.46,.38>), .78, <1.64,1.695,1.97>, 0)
// a sack and a ladder-back stool in the shade under the bench, dark on purpose
Ware(Vase, ClayT(<.10,.085,.07>), 1.5, <0.85,0,0.9>, 0)
box { <-.9,.0,.6>,<-.3,.45,1.2> T(Iron) }

camera { perspective location Eye right x*image_width/image_height up y angle 70.97 look_at Aim }

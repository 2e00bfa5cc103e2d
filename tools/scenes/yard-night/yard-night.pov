#version 3.7;
// The yard on a moonless night: the kiln shed, its chimney, a lit window, far off a paper lantern. Unit: 0.01 cd/m².
// Stars are not rendered: the camera draws them where depth is open sky.
// Lamps: NIGHT (sky glow), FIRE (chimney and what it lights), WINDOW (a bulb indoors), LANTERN.
#ifndef (NIGHT) #declare NIGHT = 0; #end
#ifndef (FIRE) #declare FIRE = 0; #end
#ifndef (WINDOW) #declare WINDOW = 0; #end
#ifndef (LANTERN) #declare LANTERN = 0; #end
#include "ferrow.inc"
Settings(120, 0.5)
View(<0.1, 1.55, 3.6>, <0, 3.25, 14>)
#declare Q = (DRAFT ? 3 : 6);
#declare NightC = rgb <.93,1.0,1.22>;
#if (NIGHT) sky_sphere { pigment { gradient y color_map { [0 NightC*.34] [.10 NightC*.19] [.35 NightC*.095] [1 NightC*.06] } } } #else sky_sphere { pigment { rgb 0 } } #end
plane { y, 0 TG(texture { pigment { granite scale 1.4 turbulence .5 color_map { [0 rgb <.13,.13,.08>] [0.5 rgb <.22,.20,.14>] [1 rgb <.30,.27,.20>] } } normal { bumps .8 scale .12 } finish { diffuse .9 } },1,0) }
// path of pale gravel
#declare PathT = texture { pigment { granite scale .3 color_map { [0 rgb <.30,.28,.24>] [1 rgb <.46,.43,.37>] } } normal { bumps 1 scale .04 } finish { diffuse .9 } }
intersection { sphere_sweep { cubic_spline 6 <1.2,0,-3>,.5 <.7,0,1>,.55 <.1,0,5>,.6 <.7,0,9>,.6 <-.3,0,12.4>,.6 <-.5,0,15>,.6 } plane { y,.006 } TG(PathT,1,0) }
// kiln shed with porch; chimney behind its ridge
union {
  difference { box { <-3.4,0,0>,<1.6,2.5,5> } box { <-3.25,.1,.15>,<1.45,2.4,4.8> } box { <-2.35,.95,-.1>,<-1.45,1.75,.3> } box { <-.5,0,-.1>,<.5,2.0,.3> }
    TG(texture { pigment { granite scale .8 color_map { [0 rgb <.34,.31,.26>] [1 rgb <.50,.465,.40>] } } normal { bumps .5 scale .09 } finish { diffuse .9 } },.7,0) }
  prism { linear_sweep linear_spline -3.7,1.9,4 <-.5,2.42>,<5.5,2.42>,<2.5,4.1>,<-.5,2.42> rotate <-90,-90,0> scale <-1,1,1>
    TG(texture { pigment { brick pigment { rgb <.10,.055,.04> }, pigment { bozo scale .25 color_map { [0 rgb <.22,.10,.065>] [1 rgb <.32,.16,.10>] } } brick_size <.24,.24,.26> mortar .018 rotate x*-30 } normal { bumps .7 scale .08 } finish { diffuse .85 } },.6,0) }
  // window with bars, plank door half open
  box { <-2.35,1.33,.08>,<-1.45,1.37,.12> TG(OldWood,.4,0) } box { <-1.92,.95,.08>,<-1.88,1.75,.12> TG(OldWood,.4,0) } box { <-2.45,.88,-.06>,<-1.35,.95,.1> TG(OldWood,.4,0) }
  box { <0,0,0>,<.98,1.98,.05> rotate y*-62 translate <-.5,0,.1> TG(OldWood,.5,0) }
  // indoors: pots on a shelf by the window
  box { <-2.6,1.02,.6>,<-1.2,1.06,.9> TG(OldWood,.4,0) }
  Ware(Jar, ClayT(<.4,.3,.2>), 1.1, <-2.15,1.06,.75>, 0) Ware(Vase, ClayT(<.4,.36,.3>), .9, <-1.72,1.06,.75>, 0)
  translate <-.2,0,13> }
union {
  difference { box { <-.62,0,-.62>,<.62,6.2,.62> } box { <-.42,5,-.42>,<.42,8,.42> } }
  box { <-.70,5.75,-.70>,<.70,5.9,-.62> } box { <-.70,5.75,.62>,<.70,5.9,.70> } box { <-.70,5.75,-.7>,<-.62,5.9,.7> } box { <.62,5.75,-.7>,<.70,5.9,.7> }
  translate <.75,0,16.4> TG(BrickT(<.34,.18,.12>,<.25,.12,.08>,<.30,.28,.25>,<.24,.08,.12>),.8,0) }
// the flame that shows above the stack: soft-edged, a column of glow
#macro Tongue(P, R, H, K) sphere { 0,1 scale <R,H,R> translate P hollow pigment { rgbt 1 }
  interior { media { emission FireC*K density { spherical density_map { [0 rgb 0] [.3 rgb .15] [.7 rgb .6] [1 rgb 1] } scale <R,H,R> turbulence .25 translate P } } } no_radiosity no_shadow } #end
#if (FIRE)
  Tongue(<.75,6.3,16.4>, .42, .75, 15000) Tongue(<.88,6.65,16.4>, .24, .55, 10000) Tongue(<.62,6.7,16.4>, .20, .45, 9000)
  light_source { <.75,6.6,16.4>, FireC*8 fade_distance 1 fade_power 2 area_light <.5,0,0>,<0,.7,0>,Q,Q adaptive 1 jitter }
  // the stoke hole at the back lights the ground and the smoke-stained wall by the door
  light_source { <.2,.7,13.9>, FireC*1.6 fade_distance 1 fade_power 2 area_light <.6,0,0>,<0,.5,0>,Q,Q adaptive 1 jitter }
#end
#if (WINDOW)
  light_source { <-1.6,2.1,15.2>, BulbC*120 fade_distance 1 fade_power 2 area_light <.2,0,0>,<0,0,.2>,Q,Q adaptive 1 jitter }
  sphere { <-2.05,1.9,15.6>,.07 pigment { BulbC } finish { emission 9000 diffuse 0 } no_shadow no_radiosity }
#end
// the lantern: paper on bamboo hoops, on a post by the far gate
#declare Lan = <5.6, 1.75, 40>;
#declare PaperT = texture { pigment { gradient y scale .085 color_map { [0 rgb <.35,.24,.10>] [.10 rgb <.4,.3,.14>] [.16 BulbC*1.0] [.90 BulbC*1.05] [1 rgb <.35,.24,.10>] } } finish { emission LANTERN*6200 diffuse .5 } }
sphere { 0,1 scale <.24,.30,.24> translate Lan TG(PaperT,.05,0) no_radiosity }
cylinder { Lan+y*.29,Lan+y*.35,.07 TG(Iron,.3,0) } cylinder { Lan-y*.35,Lan-y*.29,.07 TG(Iron,.3,0) }
cylinder { Lan+y*.35,Lan+y*.7,.012 TG(Iron,.3,0) } cylinder { <5.2,0,40>,<5.2,2.5,40>,.06 TG(OldWood,.5,0) } cylinder { <5.2,2.42,40>,<5.65,2.42,40>,.03 TG(OldWood,.5,0) }
#if (LANTERN) light_source { Lan, BulbC*90 fade_distance 1 fade_power 2 area_light <.4,0,0>,<0,.5,0>,Q,Q adaptive 1 jitter } #end
// hedge, gate, trees: black against the sky
#declare RL=seed(29);
#macro Crown(C, R, N, Size)
  #local j=0;
  #while (j<N)
    #local th=rand(RL)*2*pi; #local cz=2*rand(RL)-1; #local rr=pow(rand(RL),0.4);
    #local P=C+<R.x*sqrt(1-cz*cz)*cos(th),R.y*cz,R.z*sqrt(1-cz*cz)*sin(th)>*rr;
    disc { 0, vnormalize(<rand(RL)-.5,rand(RL)*.9+.1,rand(RL)-.5>), Size*(0.6+rand(RL)*0.8) translate P
      TG(texture { pigment { rgb <.07,.12,.035> } finish { diffuse 0.75, 0.4 } },.5,0) }
    #local j=j+1;
  #end
#end
#declare NL = (DRAFT ? 0.25 : 1);
Crown(<-7.5,4.6,15>, <2.8,2.7,2.2>, 6000*NL, .10) cylinder { <-7.5,0,15>,<-7.4,4,15>,.22 TG(OldWood,.5,0) }
Crown(<8.2,3.7,21>, <2.6,2.5,2>, 5000*NL, .11) cylinder { <8.2,0,21>,<8.2,3.4,21>,.2 TG(OldWood,.5,0) }
Crown(<-9,.7,30>, <9,1.2,1>, 5000*NL, .12) Crown(<12,.8,44>, <7.5,1.4,1>, 4500*NL, .14)
// far hills
union { sphere { 0,1 scale <46,9,20> translate <-62,-1,112> } sphere { 0,1 scale <70,6,20> translate <-5,-1,116> } sphere { 0,1 scale <40,10,18> translate <80,-1,112> } TG(texture { pigment { rgb <.03,.04,.03> } finish { diffuse .8 } },.2,0) }
// wood stack and barrels on the right, near
#declare RW=seed(6); #declare i=0;
#while (i<60)
  cylinder { <0,0,-.3>,<0.02,0,.3>,.07+rand(RW)*.04 translate <2.5+mod(i,12)*.17+mod(floor(i/12),2)*.08,.08+floor(i/12)*.15,11.2+rand(RW)*.06>
    TG(texture { pigment { wood scale .03 color_map { [0 rgb <.44,.32,.20>] [1 rgb <.26,.18,.11>] } } finish { diffuse .9 } },.7,0) }
  #declare i=i+1;
#end

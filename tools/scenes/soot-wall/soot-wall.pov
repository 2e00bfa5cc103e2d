#version 3.7;
// The soot wall behind the kiln, its iron and blackened ware, in flat shade: all dark. Unit: 100 cd/m².
// Lamp: DOOR (open shade from a wide door behind the camera).
#ifndef (DOOR) #declare DOOR = 0; #end
#include "ferrow.inc"
Settings(120, 0.5)
View(<-0.05, 1.35, -1.45>, <0.02, 1.17, 0.4>)
#declare Q = (DRAFT ? 3 : 9);
#declare Soot = texture { pigment { brick pigment { granite scale .2 color_map { [0 rgb <.020,.019,.018>] [1 rgb <.040,.037,.034>] } },
    pigment { bozo turbulence .9 scale <.5,.7,.5> color_map { [0 rgb <.017,.016,.0155>] [0.5 rgb <.026,.024,.023>] [0.8 rgb <.042,.034,.028>] [1 rgb <.075,.046,.034>] } } brick_size <.24,.075,.12> mortar .012 }
  normal { average normal_map { [1.6 brick .9 brick_size <.24,.075,.12> mortar .012] [1.4 granite .3 scale .08] [.8 bumps .4 scale .02] } }
  finish { diffuse .95 specular .05 roughness .08 } }
box { <-3,0,.40>,<3,3.2,.6> TG(Soot,.9,0) }
box { <-3,-.02,-4>,<3,0,.5> TG(texture { pigment { granite scale .5 color_map { [0 rgb <.025,.023,.021>] [1 rgb <.055,.050,.045>] } } normal { bumps .8 scale .05 } finish { diffuse .9 } },1,0) }
box { <-3.1,0,-4>,<-3,3.2,.6> TG(OldWood,.6,0) } box { <3,0,-4>,<3.1,3.2,.6> TG(OldWood,.6,0) } box { <-3,3.2,-4>,<3,3.3,.6> TG(OldWood,.6,0) }
// a ledge of iron with blackened ware
box { <-1.1,1.02,.14>,<1.2,1.05,.40> TG(Rust,.6,0) }
box { <-.9,.90,.36>,<-.86,1.02,.4> TG(Rust,.6,0) } box { <.96,.90,.36>,<1.0,1.02,.4> TG(Rust,.6,0) }
Glazed(Vase, GlazeT(<.022,.020,.019>,<.06,.035,.02>), 1.05, <-.52,1.05,.27>, 0)
Ware(Jar, ClayT(<.035,.031,.028>), 1.1, <-.20,1.05,.27>, 0)
Glazed(Bottle, GlazeT(<.014,.015,.018>,<.05,.05,.055>), 1.7, <.07,1.05,.26>, 0)
Ware(Bowl, ClayT(<.045,.038,.033>), 1.0, <.36,1.05,.27>, 0)
Ware(Bowl, ClayT(<.040,.034,.030>), 1.0, <.36,1.10,.27>, 40)
Ware(Vase, ClayT(<.050,.042,.036>), .8, <.74,1.05,.28>, 0)
// rake, tongs and hooks on the wall
cylinder { <-1.25,.05,.33>,<-1.10,1.95,.375>,.014 TG(Iron,.5,0) } box { <-1.40,.02,.30>,<-1.12,.09,.34> TG(Iron,.5,0) }
union { cylinder { <0,0,0>,<.05,-.75,0>,.010 } cylinder { <.02,0,0>,<-.06,-.75,0>,.010 } sphere { <.01,-.12,0>,.018 } torus { .04,.008 rotate x*90 translate <.01,.03,0> } translate <.42,2.02,.37> TG(Iron,.5,0) }
union { cylinder { <0,0,0>,<0,-.6,0>,.009 } torus { .035,.009 rotate x*90 clipped_by { box { <-1,-1,-1>,<1,0,1> } } translate <.035,-.6,0> } torus { .03,.008 rotate x*90 translate y*.03 } translate <-.34,2.0,.37> TG(Rust,.5,0) }
union { cylinder { <0,0,0>,<0,-.5,0>,.008 } box { <-.06,-.62,-.006>,<.06,-.5,.006> } torus { .03,.008 rotate x*90 translate y*.03 } translate <.05,2.0,.37> TG(Iron,.5,0) }
box { <-1.3,1.99,.365>,<1.3,2.03,.40> TG(OldWood,.6,1) }
// charcoal in a heap and an iron tub
#declare RC=seed(9); #declare k=0;
#while (k<170)
  superellipsoid { <.5,.5> scale <.03+rand(RC)*.05,.02+rand(RC)*.03,.025+rand(RC)*.04> rotate <rand(RC)*360,rand(RC)*360,rand(RC)*360>
    translate <.55+(rand(RC)+rand(RC)-1)*.55,.03+pow(rand(RC),1.7)*.30*(1-0),.12+(rand(RC)-.5)*.34> TG(texture { pigment { granite scale .03 color_map { [0 rgb <.012,.012,.012>] [1 rgb <.03,.029,.028>] } } normal { granite .5 scale .04 } finish { diffuse .85 specular .15 roughness .06 } },.8,0) }
  #declare k=k+1;
#end
difference { cone { <0,0,0>,.24,<0,.36,0>,.29 } cone { <0,.03,0>,.225,<0,.361,0>,.28 } translate <-.58,0,.02> TG(Rust,.6,0) }
torus { .285,.010 translate <-.58,.36,.02> TG(Iron,.4,0) }
// the one pale thing: a strip of chalked test marks, and an 18 % card on the ledge
box { <-.045,0,0>,<.045,.12,.002> rotate <12,-5,0> translate <.56,1.05,.20> TG(texture { pigment { rgb .18 } finish { diffuse 1 } },.1,0) }
#if (DOOR)
  light_source { <-1.2,1.6,-3.6>, DayC*3.0 area_light <2.4,0,0>,<0,2.2,0>,Q,Q adaptive 2 jitter fade_distance 2 fade_power 2 }
  light_source { <2.2,2.2,-2.2>, SkyC*.7 area_light <0,0,1.2>,<0,1.2,0>,Q,Q adaptive 2 jitter fade_distance 2 fade_power 2 }
#end

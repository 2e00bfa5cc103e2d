#version 3.7;
// Pale bisque on white shelves before a limewashed wall, under an overcast sky: all bright. Unit: 1000 cd/m².
// Lamp: WINDOW (a north light at the left).
#ifndef (WINDOW) #declare WINDOW = 0; #end
#include "ferrow.inc"
Settings(120, 0.5)
View(<0.06, 1.36, -1.15>, <0.0, 1.30, 0.4>)
#declare Q = (DRAFT ? 3 : 9);
#declare White = texture { pigment { granite turbulence .3 scale .7 color_map { [0 rgb <.76,.75,.73>] [1 rgb <.85,.845,.83>] } } normal { average normal_map { [1 bumps .25 scale .08] [1 granite .08 scale .25] } } finish { diffuse .95 } }
#declare Painted = texture { pigment { granite scale .3 color_map { [0 rgb <.78,.775,.755>] [1 rgb <.86,.855,.84>] } } normal { wrinkles .15 scale <.3,.01,.01> } finish { diffuse .93 specular .06 roughness .06 } }
box { <-3,-.1,-3>,<3,3,.6> hollow inverse TG(White,.5,0) }
box { <-3,-.02,-3>,<3,0,.6> TG(texture { pigment { granite scale .4 color_map { [0 rgb <.50,.48,.45>] [1 rgb <.60,.58,.54>] } } finish { diffuse .9 } },.7,0) }
#declare k=0;
#while (k<4)
  box { <-1.5,.62+k*.40,.26>,<1.5,.648+k*.40,.60> TG(Painted,.35,1) }
  #declare k=k+1;
#end
box { <-1.53,.2,.28>,<-1.49,2.1,.6> TG(Painted,.35,0) } box { <1.49,.2,.28>,<1.53,2.1,.6> TG(Painted,.35,0) } box { <-.02,.2,.30>,<.02,1.82,.6> TG(Painted,.35,0) }
#declare RB=seed(44);
#macro Pale() (<.92,.84,.75>*(.92+rand(RB)*.12)+<0,.012,.03>*rand(RB)) #end
// top row: vases; middle: bowls in stacks, jars; lower: dishes, cups, bottles
#declare j=0; #while (j<9) Ware(Vase, ClayT(Pale()), .62+rand(RB)*.16, <-1.33+j*.325+(rand(RB)-.5)*.04,1.448,.42+rand(RB)*.05>, rand(RB)*360) #declare j=j+1; #end
#declare j=0;
#while (j<10)
  #local X=-1.34+j*.29+(j>4)*.06; #local B=Pale();
  #if (mod(j,3)=0) #declare i=0; #while (i<4) Ware(Bowl, ClayT(B), .78, <X,1.048+i*.036,.43>, i*60) #declare i=i+1; #end
  #else Ware(Jar, ClayT(B), .85+rand(RB)*.2, <X,1.048,.43+rand(RB)*.03>, rand(RB)*360) #end
  #declare j=j+1;
#end
#declare j=0;
#while (j<13)
  #local X=-1.36+j*.222+(j>6)*.03; #local B=Pale();
  #if (mod(j,4)=1) #declare i=0; #while (i<5) Ware(Dish, ClayT(B), .62, <X,.648+i*.014,.42>, i*50) #declare i=i+1; #end
  #else #if (mod(j,2)=0) #declare i=0; #while (i<2) Ware(Cup, ClayT(B), 1.35, <X-.005+i*.02,.648,.34+i*.13>, i*50) #declare i=i+1; #end #else Ware(Bottle, ClayT(B), 1.35, <X,.648,.42>, 0) #end #end
  #declare j=j+1;
#end
#declare j=0; #while (j<6) Ware(Bowl, ClayT(Pale()), 1.0, <-1.25+j*.5,1.848,.43>, 0) #declare j=j+1; #end
// a table edge in front with one cup left on it, a wooden rib and an 18 % card
box { <-1.2,.80,-.35>,<1.3,.84,.02> TG(Painted,.35,1) }
Ware(Cup, ClayT(<.83,.77,.69>), 1.1, <.24,.84,-.16>, 30)
Ware(Dish, ClayT(<.80,.73,.645>), .7, <-.24,.84,-.14>, 0)
cylinder { <0,0,0>,<0,.005,0>,.04 scale <1.5,1,1> rotate y*35 translate <.02,.84,-.22> TG(ShelfWood,.5,1) }
box { <-.045,0,0>,<.045,.12,.002> rotate <14,6,0> translate <.47,.84,-.12> TG(texture { pigment { rgb .18 } finish { diffuse 1 } },.1,0) }
#if (WINDOW)
  light_source { <-2.3,1.75,-1.5>, SkyC*1.2 area_light <.5,0,-1.2>,<0,1.5,0>,Q,Q adaptive 2 jitter fade_distance 1.5 fade_power 2 }
  light_source { <1.9,2.3,-2.4>, SkyC*.5 area_light <1.4,0,.3>,<0,1,0>,Q,Q adaptive 2 jitter fade_distance 1.5 fade_power 2 }
#end

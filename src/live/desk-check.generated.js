// Made by tools/checks.ts from the JSON schemas. Not to be changed by hand.
"use strict";exports.optic=U;const S=require("ajv/dist/runtime/ucs2length").default;function U(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===
0)if(typeof r=="string"){if(S(r)>200)return U.errors=[{}],!1;if(S(r)<1)return U.errors=[{}],!1}else return U.errors=[{}],!1;return U.errors=t,e===0}exports.spot=
z;function z(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
x===void 0&&(n="x")||r.y===void 0&&(n="y"))return z.errors=[{}],!1;if(r.x!==void 0){let o=r.x;const s=e;if(e===s)if(typeof o=="number"&&isFinite(o)){if(o>1||isNaN(
o))return z.errors=[{}],!1;if(o<0||isNaN(o))return z.errors=[{}],!1}else return z.errors=[{}],!1;var l=s===e}else var l=!0;if(l)if(r.y!==void 0){let o=r.y;const s=e;
if(e===s)if(typeof o=="number"&&isFinite(o)){if(o>1||isNaN(o))return z.errors=[{}],!1;if(o<0||isNaN(o))return z.errors=[{}],!1}else return z.errors=[{}],!1;var l=s===
e}else var l=!0}else return z.errors=[{}],!1;return z.errors=t,e===0}exports.focusAt=ie;function q(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
x===void 0&&(n="x")||r.y===void 0&&(n="y"))return q.errors=[{}],!1;if(r.x!==void 0){let o=r.x;const s=e;if(e===s)if(typeof o=="number"&&isFinite(o)){if(o>1||isNaN(
o))return q.errors=[{}],!1;if(o<0||isNaN(o))return q.errors=[{}],!1}else return q.errors=[{}],!1;var l=s===e}else var l=!0;if(l)if(r.y!==void 0){let o=r.y;const s=e;
if(e===s)if(typeof o=="number"&&isFinite(o)){if(o>1||isNaN(o))return q.errors=[{}],!1;if(o<0||isNaN(o))return q.errors=[{}],!1}else return q.errors=[{}],!1;var l=s===
e}else var l=!0}else return q.errors=[{}],!1;return q.errors=t,e===0}function ie(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,
e=0;const l=e;let n=!1;const o=e;if(r!==null){const i={};t===null?t=[i]:t.push(i),e++}var s=o===e;if(n=n||s,!n){const i=e;q(r,{instancePath:c,parentData:v,parentDataProperty:y,
rootData:m})||(t=t===null?q.errors:t.concat(q.errors),e=t.length);var s=i===e;n=n||s}if(n)e=l,t!==null&&(l?t.length=l:t=null);else{const i={};return t===null?t=
[i]:t.push(i),e++,ie.errors=t,!1}return ie.errors=t,e===0}exports.focusLoupe=ne;function ne(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return typeof r!="boolean"?(ne.errors=[{}],!1):(ne.errors=t,
e===0)}exports.inFocus=le;function le(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return typeof r!="boolean"?(le.errors=[{}],!1):(le.errors=t,
e===0)}exports.peaking=J;function J(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
on===void 0&&(n="on")||r.strength===void 0&&(n="strength")||r.colour===void 0&&(n="colour"))return J.errors=[{}],!1;if(r.on!==void 0){const o=e;if(typeof r.on!=
"boolean")return J.errors=[{}],!1;var l=o===e}else var l=!0;if(l){if(r.strength!==void 0){let o=r.strength;const s=e;if(!(o==="few"||o==="usual"||o==="many"))return J.
errors=[{}],!1;var l=s===e}else var l=!0;if(l)if(r.colour!==void 0){let o=r.colour;const s=e;if(!(o==="lime"||o==="amber"||o==="violet"||o==="white"))return J.errors=
[{}],!1;var l=s===e}else var l=!0}}else return J.errors=[{}],!1;return J.errors=t,e===0}exports.grid=oe;function oe(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return r==="none"||r==="thirds"||r==="golden"||r==="cross"||
r==="diagonals"?(oe.errors=t,e===0):(oe.errors=[{}],!1)}exports.level=fe;function fe(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return typeof r!="boolean"?(fe.errors=[{}],!1):(fe.errors=t,
e===0)}exports.lengths=ae;function ae(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return r==="m"||r==="ft"?(ae.errors=t,e===0):(ae.errors=[{}],
!1)}exports.pins=A;function A(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(Array.isArray(r)){if(r.length>8)return A.errors=[
{}],!1;{var l=!0;const o=r.length;for(let s=0;s<o;s++){let i=r[s];const u=e;if(e===u)if(i&&typeof i=="object"&&!Array.isArray(i)){let p;if(i.x===void 0&&(p="x")||
i.y===void 0&&(p="y")||i.letter===void 0&&(p="letter"))return A.errors=[{}],!1;if(i.x!==void 0){let f=i.x;const a=e;if(e===a)if(typeof f=="number"&&isFinite(f)){
if(f>1||isNaN(f))return A.errors=[{}],!1;if(f<0||isNaN(f))return A.errors=[{}],!1}else return A.errors=[{}],!1;var n=a===e}else var n=!0;if(n){if(i.y!==void 0){
let f=i.y;const a=e;if(e===a)if(typeof f=="number"&&isFinite(f)){if(f>1||isNaN(f))return A.errors=[{}],!1;if(f<0||isNaN(f))return A.errors=[{}],!1}else return A.
errors=[{}],!1;var n=a===e}else var n=!0;if(n)if(i.letter!==void 0){let f=i.letter;const a=e;if(!(f==="A"||f==="B"||f==="C"||f==="D"||f==="E"||f==="F"||f==="G"||
f==="H"))return A.errors=[{}],!1;var n=a===e}else var n=!0}}else return A.errors=[{}],!1;var l=u===e;if(!l)break}}}else return A.errors=[{}],!1;return A.errors=
t,e===0}exports.lock=ue;function ue(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;const l=e;let n=!1;const o=e;if(r!==null){const u={};t===null?
t=[u]:t.push(u),e++}var s=o===e;if(n=n||s,!n){const u=e;if(e===u)if(r&&typeof r=="object"&&!Array.isArray(r)){let p;if(r.ev100===void 0&&(p="ev100")||r.by===void 0&&
(p="by")){const f={};t===null?t=[f]:t.push(f),e++}else{if(r.ev100!==void 0){let f=r.ev100;const a=e;if(e===a)if(typeof f=="number"&&isFinite(f)){if(f>60||isNaN(
f)){const b={};t===null?t=[b]:t.push(b),e++}else if(f<-40||isNaN(f)){const b={};t===null?t=[b]:t.push(b),e++}}else{const b={};t===null?t=[b]:t.push(b),e++}var i=a===
e}else var i=!0;if(i)if(r.by!==void 0){let f=r.by;const a=e;if(e===a)if(typeof f=="string"){if(S(f)>80){const h={};t===null?t=[h]:t.push(h),e++}}else{const h={};
t===null?t=[h]:t.push(h),e++}var i=a===e}else var i=!0}}else{const p={};t===null?t=[p]:t.push(p),e++}var s=u===e;n=n||s}if(n)e=l,t!==null&&(l?t.length=l:t=null);else{
const u={};return t===null?t=[u]:t.push(u),e++,ue.errors=t,!1}return ue.errors=t,e===0}exports.trade=pe;function pe(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;const l=e;let n=!1;const o=e;if(r!==null){const u={};t===null?
t=[u]:t.push(u),e++}var s=o===e;if(n=n||s,!n){const u=e;if(e===u)if(r&&typeof r=="object"&&!Array.isArray(r)){let p;if(r.gives===void 0&&(p="gives")||r.with===void 0&&
(p="with")){const f={};t===null?t=[f]:t.push(f),e++}else{if(r.gives!==void 0){let f=r.gives;const a=e;if(!(f==="shutter"||f==="aperture"||f==="iso")){const b={};
t===null?t=[b]:t.push(b),e++}var i=a===e}else var i=!0;if(i)if(r.with!==void 0){let f=r.with;const a=e;if(!(f==="shutter"||f==="aperture"||f==="iso")){const h={};
t===null?t=[h]:t.push(h),e++}var i=a===e}else var i=!0}}else{const p={};t===null?t=[p]:t.push(p),e++}var s=u===e;n=n||s}if(n)e=l,t!==null&&(l?t.length=l:t=null);else{
const u={};return t===null?t=[u]:t.push(u),e++,pe.errors=t,!1}return pe.errors=t,e===0}exports.receptor=ce;function ce(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return r==="flat"||r==="dome"?(ce.errors=t,e===0):(ce.errors=
[{}],!1)}exports.calibrations=P;const xe=new RegExp("^(.*)$","u");function P(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="o\
bject"&&!Array.isArray(r)){var l=!0;for(const s in r)if(xe.test(s)){let i=r[s];const u=e;if(e===u)if(i&&typeof i=="object"&&!Array.isArray(i)){let p;if(i.way===
void 0&&(p="way")||i.offsetEv===void 0&&(p="offsetEv")||i.told===void 0&&(p="told")||i.timeMs===void 0&&(p="timeMs"))return P.errors=[{}],!1;if(i.way!==void 0){
let f=i.way;const a=e;if(!(f==="exposure"||f==="ev"||f==="luminance"||f==="sunny"))return P.errors=[{}],!1;var n=a===e}else var n=!0;if(n){if(i.offsetEv!==void 0){
let f=i.offsetEv;const a=e;if(e===a)if(typeof f=="number"&&isFinite(f)){if(f>60||isNaN(f))return P.errors=[{}],!1;if(f<-60||isNaN(f))return P.errors=[{}],!1}else
return P.errors=[{}],!1;var n=a===e}else var n=!0;if(n){if(i.told!==void 0){let f=i.told;const a=e;if(e===a)if(Array.isArray(f)){if(f.length>2)return P.errors=[
{}],!1;{var o=!0;const h=f.length;for(let d=0;d<h;d++){let Q=f[d];const Pe=e;if(!(Q==="shutterS"||Q==="iso"))return P.errors=[{}],!1;var o=Pe===e;if(!o)break}}}else
return P.errors=[{}],!1;var n=a===e}else var n=!0;if(n)if(i.timeMs!==void 0){let f=i.timeMs;const a=e;if(e===a)if(typeof f=="number"&&isFinite(f)){if(f>2534022144e5||
isNaN(f))return P.errors=[{}],!1;if(f<0||isNaN(f))return P.errors=[{}],!1}else return P.errors=[{}],!1;var n=a===e}else var n=!0}}}else return P.errors=[{}],!1;
var l=u===e;if(!l)break}}else return P.errors=[{}],!1;return P.errors=t,e===0}exports.whites=k;function k(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(Array.isArray(r)){if(r.length>12)return k.errors=
[{}],!1;{var l=!0;const o=r.length;for(let s=0;s<o;s++){let i=r[s];const u=e;if(e===u)if(i&&typeof i=="object"&&!Array.isArray(i)){let p;if(i.name===void 0&&(p=
"name")||i.kelvin===void 0&&(p="kelvin")||i.tint===void 0&&(p="tint"))return k.errors=[{}],!1;if(i.name!==void 0){let f=i.name;const a=e;if(e===a)if(typeof f=="\
string"){if(S(f)>40)return k.errors=[{}],!1;if(S(f)<1)return k.errors=[{}],!1}else return k.errors=[{}],!1;var n=a===e}else var n=!0;if(n){if(i.kelvin!==void 0){
let f=i.kelvin;const a=e;if(e===a)if(typeof f=="number"&&isFinite(f)){if(f>12e3||isNaN(f))return k.errors=[{}],!1;if(f<2e3||isNaN(f))return k.errors=[{}],!1}else
return k.errors=[{}],!1;var n=a===e}else var n=!0;if(n)if(i.tint!==void 0){let f=i.tint;const a=e;if(e===a)if(typeof f=="number"&&isFinite(f)){if(f>150||isNaN(f))
return k.errors=[{}],!1;if(f<-150||isNaN(f))return k.errors=[{}],!1}else return k.errors=[{}],!1;var n=a===e}else var n=!0}}else return k.errors=[{}],!1;var l=u===
e;if(!l)break}}}else return k.errors=[{}],!1;return k.errors=t,e===0}exports.remediesOff=re;function re(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(Array.isArray(r)){var l=!0;const n=r.length;for(let o=0;o<
n;o++){let s=r[o];const i=e;if(!(s==="range"||s==="clipping"||s==="meter"||s==="doubt"||s==="focus"||s==="spot"||s==="shake"||s==="motion"||s==="flicker"||s==="\
trails"||s==="touch"||s==="noise"||s==="diffraction"||s==="extended"||s==="white"||s==="lights"||s==="horizon"||s==="closest"||s==="depth"||s==="lens"||s==="det\
ail"))return re.errors=[{}],!1;var l=i===e;if(!l)break}}else return re.errors=[{}],!1;return re.errors=t,e===0}exports.check=N;function w(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
belowClip12===void 0&&(n="belowClip12")||r.percent===void 0&&(n="percent"))return w.errors=[{}],!1;if(r.belowClip12!==void 0){let o=r.belowClip12;const s=e;if(!(typeof o==
"number"&&!(o%1)&&!isNaN(o)&&isFinite(o)))return w.errors=[{}],!1;if(e===s&&typeof o=="number"&&isFinite(o)){if(o>48||isNaN(o))return w.errors=[{}],!1;if(o<0||isNaN(
o))return w.errors=[{}],!1}var l=s===e}else var l=!0;if(l)if(r.percent!==void 0){let o=r.percent;const s=e;if(!(typeof o=="number"&&!(o%1)&&!isNaN(o)&&isFinite(
o)))return w.errors=[{}],!1;if(e===s&&typeof o=="number"&&isFinite(o)){if(o>100||isNaN(o))return w.errors=[{}],!1;if(o<1||isNaN(o))return w.errors=[{}],!1}var l=s===
e}else var l=!0}else return w.errors=[{}],!1;return w.errors=t,e===0}function N(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,
e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let s;if(r.marks===void 0&&(s="marks")||r.zebra===void 0&&(s="zebra")||r.share===void 0&&(s="share")||
r.sparkle===void 0&&(s="sparkle")||r.fitBy===void 0&&(s="fitBy")||r.habitEv===void 0&&(s="habitEv")||r.cleanDb===void 0&&(s="cleanDb")||r.heights===void 0&&(s="\
heights")||r.histogram===void 0&&(s="histogram")||r.histogramSize===void 0&&(s="histogramSize")||r.histogramOpacity===void 0&&(s="histogramOpacity"))return N.errors=
[{}],!1;if(r.marks!==void 0){let i=r.marks;const u=e;if(e===u)if(i&&typeof i=="object"&&!Array.isArray(i)){let g;if(i.rawClip===void 0&&(g="rawClip")||i.rawFloor===
void 0&&(g="rawFloor")||i.pictureWhite===void 0&&(g="pictureWhite")||i.pictureBlack===void 0&&(g="pictureBlack"))return N.errors=[{}],!1;if(i.rawClip!==void 0){
const p=e;if(typeof i.rawClip!="boolean")return N.errors=[{}],!1;var l=p===e}else var l=!0;if(l){if(i.rawFloor!==void 0){const p=e;if(typeof i.rawFloor!="boolea\
n")return N.errors=[{}],!1;var l=p===e}else var l=!0;if(l){if(i.pictureWhite!==void 0){const p=e;if(typeof i.pictureWhite!="boolean")return N.errors=[{}],!1;var l=p===
e}else var l=!0;if(l)if(i.pictureBlack!==void 0){const p=e;if(typeof i.pictureBlack!="boolean")return N.errors=[{}],!1;var l=p===e}else var l=!0}}}else return N.
errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.zebra!==void 0){let i=r.zebra;const u=e;if(e===u)if(i&&typeof i=="object"&&!Array.isArray(i)){let p;if(i.on===
void 0&&(p="on")||i.of===void 0&&(p="of")||i.native===void 0&&(p="native")||i.extended===void 0&&(p="extended"))return N.errors=[{}],!1;if(i.on!==void 0){const f=e;
if(typeof i.on!="boolean")return N.errors=[{}],!1;var o=f===e}else var o=!0;if(o){if(i.of!==void 0){let f=i.of;const a=e;if(!(f==="raw"||f==="picture"))return N.
errors=[{}],!1;var o=a===e}else var o=!0;if(o){if(i.native!==void 0){const f=e;w(i.native,{instancePath:c+"/zebra/native",parentData:i,parentDataProperty:"nativ\
e",rootData:m})||(t=t===null?w.errors:t.concat(w.errors),e=t.length);var o=f===e}else var o=!0;if(o)if(i.extended!==void 0){const f=e;w(i.extended,{instancePath:c+
"/zebra/extended",parentData:i,parentDataProperty:"extended",rootData:m})||(t=t===null?w.errors:t.concat(w.errors),e=t.length);var o=f===e}else var o=!0}}}else return N.
errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.share!==void 0){let i=r.share;const u=e;if(!(i===1e-5||i===3e-5||i===1e-4||i===3e-4||i===.001||i===.003||i===
.01||i===.03||i===.05))return N.errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.sparkle!==void 0){let i=r.sparkle;const u=e;if(!(i===0||i===5e-5||i===1e-4||
i===3e-4||i===.001))return N.errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.fitBy!==void 0){let i=r.fitBy;const u=e;if(!(i==="carrying"||i==="shutter"||i===
"iso"||i==="aperture"))return N.errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.habitEv!==void 0){let i=r.habitEv;const u=e;if(e===u)if(typeof i=="number"&&
isFinite(i)){if(i>3||isNaN(i))return N.errors=[{}],!1;if(i<-3||isNaN(i))return N.errors=[{}],!1}else return N.errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.
cleanDb!==void 0){let i=r.cleanDb;const u=e;if(!(i===6||i===10||i===15||i===20||i===26))return N.errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.heights!==void 0){
let i=r.heights;const u=e;if(!(i==="linear"||i==="root"||i==="log"))return N.errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.histogram!==void 0){let i=r.histogram;
const u=e;if(!(i==="off"||i==="raw"||i==="picture"||i==="both"))return N.errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.histogramSize!==void 0){let i=r.histogramSize;
const u=e;if(!(i==="small"||i==="medium"||i==="large"))return N.errors=[{}],!1;var n=u===e}else var n=!0;if(n)if(r.histogramOpacity!==void 0){let i=r.histogramOpacity;
const u=e;if(e===u)if(typeof i=="number"&&isFinite(i)){if(i>1||isNaN(i))return N.errors=[{}],!1;if(i<.3||isNaN(i))return N.errors=[{}],!1}else return N.errors=[
{}],!1;var n=u===e}else var n=!0}}}}}}}}}}else return N.errors=[{}],!1;return N.errors=t,e===0}exports.other=me;function me(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;const l=e;let n=!1;const o=e;if(r!==null){const u={};t===null?
t=[u]:t.push(u),e++}var s=o===e;if(n=n||s,!n){const u=e;if(e===u)if(r&&typeof r=="object"&&!Array.isArray(r)){let p;if(r.shutterS===void 0&&(p="shutterS")||r.iso===
void 0&&(p="iso")||r.apertureN===void 0&&(p="apertureN")){const f={};t===null?t=[f]:t.push(f),e++}else{if(r.shutterS!==void 0){let f=r.shutterS;const a=e;if(e===
a)if(typeof f=="number"&&isFinite(f)){if(f>8192||isNaN(f)){const b={};t===null?t=[b]:t.push(b),e++}else if(f<1e-6||isNaN(f)){const b={};t===null?t=[b]:t.push(b),
e++}}else{const b={};t===null?t=[b]:t.push(b),e++}var i=a===e}else var i=!0;if(i){if(r.iso!==void 0){let f=r.iso;const a=e;if(e===a)if(typeof f=="number"&&isFinite(
f)){if(f>1e6||isNaN(f)){const h={};t===null?t=[h]:t.push(h),e++}else if(f<1||isNaN(f)){const h={};t===null?t=[h]:t.push(h),e++}}else{const h={};t===null?t=[h]:t.
push(h),e++}var i=a===e}else var i=!0;if(i)if(r.apertureN!==void 0){let f=r.apertureN;const a=e;if(e===a)if(typeof f=="number"&&isFinite(f)){if(f>100||isNaN(f)){
const h={};t===null?t=[h]:t.push(h),e++}else if(f<.5||isNaN(f)){const h={};t===null?t=[h]:t.push(h),e++}}else{const h={};t===null?t=[h]:t.push(h),e++}var i=a===
e}else var i=!0}}}else{const p={};t===null?t=[p]:t.push(p),e++}var s=u===e;n=n||s}if(n)e=l,t!==null&&(l?t.length=l:t=null);else{const u={};return t===null?t=[u]:
t.push(u),e++,me.errors=t,!1}return me.errors=t,e===0}exports.theme=ve;function ve(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return r==="studio"||r==="sun"||r==="dark"?(ve.errors=t,e===
0):(ve.errors=[{}],!1)}exports.thumb=ye;function ye(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return r==="right"||r==="left"?(ye.errors=t,e===0):(ye.errors=
[{}],!1)}exports.manners=K;function K(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
sound===void 0&&(n="sound")||r.haptics===void 0&&(n="haptics")||r.awake===void 0&&(n="awake"))return K.errors=[{}],!1;if(r.sound!==void 0){const o=e;if(typeof r.
sound!="boolean")return K.errors=[{}],!1;var l=o===e}else var l=!0;if(l){if(r.haptics!==void 0){const o=e;if(typeof r.haptics!="boolean")return K.errors=[{}],!1;
var l=o===e}else var l=!0;if(l)if(r.awake!==void 0){const o=e;if(typeof r.awake!="boolean")return K.errors=[{}],!1;var l=o===e}else var l=!0}}else return K.errors=
[{}],!1;return K.errors=t,e===0}exports.roll=V;function V(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(typeof r=="string"){if(S(r)>64)return V.errors=[{}],
!1;if(S(r)<1)return V.errors=[{}],!1}else return V.errors=[{}],!1;return V.errors=t,e===0}exports.credit=G;function G(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
person===void 0&&(n="person")||r.copyright===void 0&&(n="copyright"))return G.errors=[{}],!1;if(r.person!==void 0){let o=r.person;const s=e;if(e===s)if(typeof o==
"string"){if(S(o)>100)return G.errors=[{}],!1}else return G.errors=[{}],!1;var l=s===e}else var l=!0;if(l)if(r.copyright!==void 0){let o=r.copyright;const s=e;if(e===
s)if(typeof o=="string"){if(S(o)>200)return G.errors=[{}],!1}else return G.errors=[{}],!1;var l=s===e}else var l=!0}else return G.errors=[{}],!1;return G.errors=
t,e===0}exports.placed=de;function de(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return typeof r!="boolean"?(de.errors=[{}],!1):(de.errors=t,
e===0)}exports.guided=he;function he(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return typeof r!="boolean"?(he.errors=[{}],!1):(he.errors=t,
e===0)}exports.scope=be;function be(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return r==="raw"||r==="picture"?(be.errors=t,e===0):(be.errors=
[{}],!1)}exports.scene=se;const ke=new RegExp("^[a-z0-9-]+$","u");function se(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(typeof r==
"string"){if(!ke.test(r))return se.errors=[{}],!1}else return se.errors=[{}],!1;return se.errors=t,e===0}exports.outside=C;function C(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let o;if(r.
levels===void 0&&(o="levels")||r.support===void 0&&(o="support")||r.wheel===void 0&&(o="wheel"))return C.errors=[{}],!1;if(r.levels!==void 0){let s=r.levels;const i=e;
if(e===i)if(s&&typeof s=="object"&&!Array.isArray(s)){var l=!0;for(const u in s)if(xe.test(u)){let g=s[u];const p=e;if(e===p)if(typeof g=="number"&&isFinite(g)){
if(g>1||isNaN(g))return C.errors=[{}],!1;if(g<0||isNaN(g))return C.errors=[{}],!1}else return C.errors=[{}],!1;var l=p===e;if(!l)break}}else return C.errors=[{}],
!1;var n=i===e}else var n=!0;if(n){if(r.support!==void 0){let s=r.support;const i=e;if(!(s==="hand"||s==="tripod"))return C.errors=[{}],!1;var n=i===e}else var n=!0;
if(n)if(r.wheel!==void 0){let s=r.wheel;const i=e;if(!(s==="still"||s==="slow"||s==="fast"))return C.errors=[{}],!1;var n=i===e}else var n=!0}}else return C.errors=
[{}],!1;return C.errors=t,e===0}exports.attitude=M;function M(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
rollDeg===void 0&&(n="rollDeg")||r.pitchDeg===void 0&&(n="pitchDeg"))return M.errors=[{}],!1;if(r.rollDeg!==void 0){let o=r.rollDeg;const s=e;if(e===s)if(typeof o==
"number"&&isFinite(o)){if(o>180||isNaN(o))return M.errors=[{}],!1;if(o<-180||isNaN(o))return M.errors=[{}],!1}else return M.errors=[{}],!1;var l=s===e}else var l=!0;
if(l)if(r.pitchDeg!==void 0){let o=r.pitchDeg;const s=e;if(e===s)if(typeof o=="number"&&isFinite(o)){if(o>90||isNaN(o))return M.errors=[{}],!1;if(o<-90||isNaN(o))
return M.errors=[{}],!1}else return M.errors=[{}],!1;var l=s===e}else var l=!0}else return M.errors=[{}],!1;return M.errors=t,e===0}exports.set_shutter=L;function L(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
auto===void 0&&(n="auto")||r.exact===void 0&&(n="exact"))return L.errors=[{}],!1;{const o=e;for(const s in r)if(!(s==="auto"||s==="exact")){return L.errors=[{}],
!1;break}if(o===e){if(r.auto!==void 0){const s=e;if(typeof r.auto!="boolean")return L.errors=[{}],!1;var l=s===e}else var l=!0;if(l)if(r.exact!==void 0){let s=r.
exact;const i=e;if(e===i)if(typeof s=="number"&&isFinite(s)){if(s>8192||isNaN(s))return L.errors=[{}],!1;if(s<=0||isNaN(s))return L.errors=[{}],!1}else return L.
errors=[{}],!1;var l=i===e}else var l=!0}}}else return L.errors=[{}],!1;return L.errors=t,e===0}exports.set_iso=$;function $(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
auto===void 0&&(n="auto")||r.exact===void 0&&(n="exact"))return $.errors=[{}],!1;{const o=e;for(const s in r)if(!(s==="auto"||s==="exact")){return $.errors=[{}],
!1;break}if(o===e){if(r.auto!==void 0){const s=e;if(typeof r.auto!="boolean")return $.errors=[{}],!1;var l=s===e}else var l=!0;if(l)if(r.exact!==void 0){let s=r.
exact;const i=e;if(e===i)if(typeof s=="number"&&isFinite(s)){if(s>8192||isNaN(s))return $.errors=[{}],!1;if(s<=0||isNaN(s))return $.errors=[{}],!1}else return $.
errors=[{}],!1;var l=i===e}else var l=!0}}}else return $.errors=[{}],!1;return $.errors=t,e===0}exports.set_aperture=I;function I(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
auto===void 0&&(n="auto")||r.exact===void 0&&(n="exact"))return I.errors=[{}],!1;{const o=e;for(const s in r)if(!(s==="auto"||s==="exact")){return I.errors=[{}],
!1;break}if(o===e){if(r.auto!==void 0){const s=e;if(typeof r.auto!="boolean")return I.errors=[{}],!1;var l=s===e}else var l=!0;if(l)if(r.exact!==void 0){let s=r.
exact;const i=e;if(e===i)if(typeof s=="number"&&isFinite(s)){if(s>8192||isNaN(s))return I.errors=[{}],!1;if(s<=0||isNaN(s))return I.errors=[{}],!1}else return I.
errors=[{}],!1;var l=i===e}else var l=!0}}}else return I.errors=[{}],!1;return I.errors=t,e===0}exports.set_compensationEv=X;function X(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(typeof r=="number"&&isFinite(r)){if(r>5||isNaN(r))
return X.errors=[{}],!1;if(r<-5||isNaN(r))return X.errors=[{}],!1}else return X.errors=[{}],!1;return X.errors=t,e===0}exports.set_focus=B;function B(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
auto===void 0&&(n="auto")||r.exact===void 0&&(n="exact")||r.how===void 0&&(n="how"))return B.errors=[{}],!1;{const o=e;for(const s in r)if(!(s==="auto"||s==="ex\
act"||s==="how")){return B.errors=[{}],!1;break}if(o===e){if(r.auto!==void 0){const s=e;if(typeof r.auto!="boolean")return B.errors=[{}],!1;var l=s===e}else var l=!0;
if(l){if(r.exact!==void 0){let s=r.exact;const i=e;if(e===i)if(typeof s=="number"&&isFinite(s)){if(s>8192||isNaN(s))return B.errors=[{}],!1;if(s<=0||isNaN(s))return B.
errors=[{}],!1}else return B.errors=[{}],!1;var l=i===e}else var l=!0;if(l)if(r.how!==void 0){let s=r.how;const i=e;if(!(s==="continuous"||s==="single"))return B.
errors=[{}],!1;var l=i===e}else var l=!0}}}}else return B.errors=[{}],!1;return B.errors=t,e===0}exports.set_cut=W;function W(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
aspect===void 0&&(n="aspect")||r.times===void 0&&(n="times"))return W.errors=[{}],!1;{const o=e;for(const s in r)if(!(s==="aspect"||s==="times")){return W.errors=
[{}],!1;break}if(o===e){if(r.aspect!==void 0){let s=r.aspect;const i=e;if(!(s==="whole"||s==="4:3"||s==="3:2"||s==="16:9"||s==="1:1"||s==="65:24"))return W.errors=
[{}],!1;var l=i===e}else var l=!0;if(l)if(r.times!==void 0){let s=r.times;const i=e;if(e===i)if(typeof s=="number"&&isFinite(s)){if(s>8||isNaN(s))return W.errors=
[{}],!1;if(s<1||isNaN(s))return W.errors=[{}],!1}else return W.errors=[{}],!1;var l=i===e}else var l=!0}}}else return W.errors=[{}],!1;return W.errors=t,e===0}exports.
set_meter=H;function H(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
pattern===void 0&&(n="pattern")||r.spotShare===void 0&&(n="spotShare")||r.burnShare===void 0&&(n="burnShare"))return H.errors=[{}],!1;{const o=e;for(const s in r)
if(!(s==="pattern"||s==="spotShare"||s==="burnShare")){return H.errors=[{}],!1;break}if(o===e){if(r.pattern!==void 0){let s=r.pattern;const i=e;if(!(s==="whole"||
s==="centre"||s==="spot"||s==="highlight"))return H.errors=[{}],!1;var l=i===e}else var l=!0;if(l){if(r.spotShare!==void 0){let s=r.spotShare;const i=e;if(!(s===
.003||s===.01||s===.03))return H.errors=[{}],!1;var l=i===e}else var l=!0;if(l)if(r.burnShare!==void 0){let s=r.burnShare;const i=e;if(!(s===3e-4||s===.001||s===
.01))return H.errors=[{}],!1;var l=i===e}else var l=!0}}}}else return H.errors=[{}],!1;return H.errors=t,e===0}exports.set_rules=D;const we=require("ajv/dist/runtime/equal").default;function _(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(Array.isArray(r)){if(r.length>2)return _.errors=[
{}],!1;if(r.length<2)return _.errors=[{}],!1;{var l=!0;const n=r.length;for(let o=0;o<n;o++){let s=r[o];const i=e;if(e===i)if(typeof s=="number"&&isFinite(s)){if(s>
8192||isNaN(s))return _.errors=[{}],!1;if(s<=0||isNaN(s))return _.errors=[{}],!1}else return _.errors=[{}],!1;var l=i===e;if(!l)break}}}else return _.errors=[{}],
!1;return _.errors=t,e===0}function D(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&
!Array.isArray(r)){let o;if(r.order===void 0&&(o="order")||r.steadyThirds===void 0&&(o="steadyThirds")||r.isoCeiling===void 0&&(o="isoCeiling")||r.shutter===void 0&&
(o="shutter")||r.iso===void 0&&(o="iso")||r.aperture===void 0&&(o="aperture"))return D.errors=[{}],!1;{const s=e;for(const i in r)if(!(i==="order"||i==="steadyT\
hirds"||i==="isoCeiling"||i==="shutter"||i==="iso"||i==="aperture")){return D.errors=[{}],!1;break}if(s===e){if(r.order!==void 0){let i=r.order;const u=e;if(e===
u)if(Array.isArray(i)){if(i.length>3)return D.errors=[{}],!1;if(i.length<3)return D.errors=[{}],!1;{var l=!0;const g=i.length;for(let p=0;p<g;p++){let f=i[p];const a=e;
if(!(f==="shutter"||f==="aperture"||f==="iso"))return D.errors=[{}],!1;var l=a===e;if(!l)break}if(l){let p=i.length,f;if(p>1){e:for(;p--;)for(f=p;f--;)if(we(i[p],
i[f])){return D.errors=[{}],!1;break e}}}}}else return D.errors=[{}],!1;var n=u===e}else var n=!0;if(n){if(r.steadyThirds!==void 0){let i=r.steadyThirds;const u=e;
if(!(typeof i=="number"&&!(i%1)&&!isNaN(i)&&isFinite(i)))return D.errors=[{}],!1;if(e===u&&typeof i=="number"&&isFinite(i)){if(i>6||isNaN(i))return D.errors=[{}],
!1;if(i<-6||isNaN(i))return D.errors=[{}],!1}var n=u===e}else var n=!0;if(n){if(r.isoCeiling!==void 0){let i=r.isoCeiling;const u=e;if(e===u)if(typeof i=="numbe\
r"&&isFinite(i)){if(i>6500||isNaN(i))return D.errors=[{}],!1;if(i<50||isNaN(i))return D.errors=[{}],!1}else return D.errors=[{}],!1;var n=u===e}else var n=!0;if(n){
if(r.shutter!==void 0){const i=e;_(r.shutter,{instancePath:c+"/shutter",parentData:r,parentDataProperty:"shutter",rootData:m})||(t=t===null?_.errors:t.concat(_.
errors),e=t.length);var n=i===e}else var n=!0;if(n){if(r.iso!==void 0){const i=e;_(r.iso,{instancePath:c+"/iso",parentData:r,parentDataProperty:"iso",rootData:m})||
(t=t===null?_.errors:t.concat(_.errors),e=t.length);var n=i===e}else var n=!0;if(n)if(r.aperture!==void 0){const i=e;_(r.aperture,{instancePath:c+"/aperture",parentData:r,
parentDataProperty:"aperture",rootData:m})||(t=t===null?_.errors:t.concat(_.errors),e=t.length);var n=i===e}else var n=!0}}}}}}}else return D.errors=[{}],!1;return D.
errors=t,e===0}exports.set_filterStops=Y;function Y(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(typeof r=="number"&&isFinite(r)){if(r>20||isNaN(r))
return Y.errors=[{}],!1;if(r<0||isNaN(r))return Y.errors=[{}],!1}else return Y.errors=[{}],!1;return Y.errors=t,e===0}exports.set_delayS=Ne;function Ne(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return r===0||r===2||r===3||r===5||r===10||r===20?(Ne.errors=
t,e===0):(Ne.errors=[{}],!1)}exports.set_bracket=E;function E(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
frames===void 0&&(n="frames")||r.stepThirds===void 0&&(n="stepThirds")||r.order===void 0&&(n="order")||r.by===void 0&&(n="by"))return E.errors=[{}],!1;{const o=e;
for(const s in r)if(!(s==="frames"||s==="stepThirds"||s==="order"||s==="by")){return E.errors=[{}],!1;break}if(o===e){if(r.frames!==void 0){let s=r.frames;const i=e;
if(!(typeof s=="number"&&!(s%1)&&!isNaN(s)&&isFinite(s)))return E.errors=[{}],!1;if(e===i&&typeof s=="number"&&isFinite(s)){if(s>9||isNaN(s))return E.errors=[{}],
!1;if(s<1||isNaN(s))return E.errors=[{}],!1}var l=i===e}else var l=!0;if(l){if(r.stepThirds!==void 0){let s=r.stepThirds;const i=e;if(!(typeof s=="number"&&!(s%
1)&&!isNaN(s)&&isFinite(s)))return E.errors=[{}],!1;if(e===i&&typeof s=="number"&&isFinite(s)){if(s>9||isNaN(s))return E.errors=[{}],!1;if(s<1||isNaN(s))return E.
errors=[{}],!1}var l=i===e}else var l=!0;if(l){if(r.order!==void 0){let s=r.order;const i=e;if(!(s==="middle"||s==="rising"||s==="falling"))return E.errors=[{}],
!1;var l=i===e}else var l=!0;if(l)if(r.by!==void 0){let s=r.by;const i=e;if(!(s==="shutter"||s==="iso"))return E.errors=[{}],!1;var l=i===e}else var l=!0}}}}}else
return E.errors=[{}],!1;return E.errors=t,e===0}exports.set_burst=j;function j(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
frames===void 0&&(n="frames")||r.perS===void 0&&(n="perS")||r.held===void 0&&(n="held"))return j.errors=[{}],!1;{const o=e;for(const s in r)if(!(s==="frames"||s===
"perS"||s==="held")){return j.errors=[{}],!1;break}if(o===e){if(r.frames!==void 0){let s=r.frames;const i=e;if(!(typeof s=="number"&&!(s%1)&&!isNaN(s)&&isFinite(
s)))return j.errors=[{}],!1;if(e===i&&typeof s=="number"&&isFinite(s)){if(s>30||isNaN(s))return j.errors=[{}],!1;if(s<1||isNaN(s))return j.errors=[{}],!1}var l=i===
e}else var l=!0;if(l){if(r.perS!==void 0){let s=r.perS;const i=e;if(!(typeof s=="number"&&!(s%1)&&!isNaN(s)&&isFinite(s)))return j.errors=[{}],!1;if(e===i&&typeof s==
"number"&&isFinite(s)){if(s>15||isNaN(s))return j.errors=[{}],!1;if(s<1||isNaN(s))return j.errors=[{}],!1}var l=i===e}else var l=!0;if(l)if(r.held!==void 0){const s=e;
if(typeof r.held!="boolean")return j.errors=[{}],!1;var l=s===e}else var l=!0}}}}else return j.errors=[{}],!1;return j.errors=t,e===0}exports.set_files=T;function T(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
kind===void 0&&(n="kind")||r.quality===void 0&&(n="quality")||r.size===void 0&&(n="size"))return T.errors=[{}],!1;{const o=e;for(const s in r)if(!(s==="kind"||s===
"quality"||s==="size")){return T.errors=[{}],!1;break}if(o===e){if(r.kind!==void 0){let s=r.kind;const i=e;if(!(s==="dng"||s==="dng+jpeg"||s==="jpeg"||s==="tiff"||
s==="png"||s==="png16"))return T.errors=[{}],!1;var l=i===e}else var l=!0;if(l){if(r.quality!==void 0){let s=r.quality;const i=e;if(!(typeof s=="number"&&!(s%1)&&
!isNaN(s)&&isFinite(s)))return T.errors=[{}],!1;if(e===i&&typeof s=="number"&&isFinite(s)){if(s>100||isNaN(s))return T.errors=[{}],!1;if(s<60||isNaN(s))return T.
errors=[{}],!1}var l=i===e}else var l=!0;if(l)if(r.size!==void 0){let s=r.size;const i=e;if(!(s===1||s===2||s===4))return T.errors=[{}],!1;var l=i===e}else var l=!0}}}}else
return T.errors=[{}],!1;return T.errors=t,e===0}exports.set_white=F;function F(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(r&&typeof r=="object"&&!Array.isArray(r)){let n;if(r.
auto===void 0&&(n="auto")||r.exact===void 0&&(n="exact")||r.tint===void 0&&(n="tint"))return F.errors=[{}],!1;{const o=e;for(const s in r)if(!(s==="auto"||s==="\
exact"||s==="tint")){return F.errors=[{}],!1;break}if(o===e){if(r.auto!==void 0){const s=e;if(typeof r.auto!="boolean")return F.errors=[{}],!1;var l=s===e}else var l=!0;
if(l){if(r.exact!==void 0){let s=r.exact;const i=e;if(e===i)if(typeof s=="number"&&isFinite(s)){if(s>12e3||isNaN(s))return F.errors=[{}],!1;if(s<2e3||isNaN(s))return F.
errors=[{}],!1}else return F.errors=[{}],!1;var l=i===e}else var l=!0;if(l)if(r.tint!==void 0){let s=r.tint;const i=e;if(e===i)if(typeof s=="number"&&isFinite(s)){
if(s>150||isNaN(s))return F.errors=[{}],!1;if(s<-150||isNaN(s))return F.errors=[{}],!1}else return F.errors=[{}],!1;var l=i===e}else var l=!0}}}}else return F.errors=
[{}],!1;return F.errors=t,e===0}exports.set_zoom=Z;function Z(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(e===0)if(typeof r=="number"&&isFinite(r)){if(r>100||isNaN(
r))return Z.errors=[{}],!1;if(r<1||isNaN(r))return Z.errors=[{}],!1}else return Z.errors=[{}],!1;return Z.errors=t,e===0}exports.set_torch=ge;function ge(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;return typeof r!="boolean"?(ge.errors=[{}],!1):(ge.errors=t,
e===0)}exports.set_pictures=ee;function ee(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;if(!(typeof r=="number"&&!(r%1)&&!isNaN(r)&&isFinite(r)))return ee.
errors=[{}],!1;if(e===0&&typeof r=="number"&&isFinite(r)){if(r>64||isNaN(r))return ee.errors=[{}],!1;if(r<0||isNaN(r))return ee.errors=[{}],!1}return ee.errors=
t,e===0}exports.set_print=De;const Ae=new RegExp("\\S","u");function De(r,{instancePath:c="",parentData:v,parentDataProperty:y,rootData:m=r}={}){let t=null,e=0;const l=e;let n=!1;const o=e;
if(e===o)if(r&&typeof r=="object"&&!Array.isArray(r)){let p;if(r.name===void 0&&(p="name")||r.exposureEv===void 0&&(p="exposureEv")||r.warmthMired===void 0&&(p=
"warmthMired")||r.contrast===void 0&&(p="contrast")||r.saturation===void 0&&(p="saturation")||r.mix===void 0&&(p="mix")){const f={};t===null?t=[f]:t.push(f),e++}else{
const f=e;for(const a in r)if(!(a==="name"||a==="exposureEv"||a==="warmthMired"||a==="contrast"||a==="saturation"||a==="mix")){const b={};t===null?t=[b]:t.push(
b),e++;break}if(f===e){if(r.name!==void 0){let a=r.name;const b=e;if(e===b)if(typeof a=="string"){if(S(a)>40){const h={};t===null?t=[h]:t.push(h),e++}else if(S(
a)<1){const h={};t===null?t=[h]:t.push(h),e++}else if(!Ae.test(a)){const h={};t===null?t=[h]:t.push(h),e++}}else{const h={};t===null?t=[h]:t.push(h),e++}var s=b===
e}else var s=!0;if(s){if(r.exposureEv!==void 0){let a=r.exposureEv;const b=e;if(e===b)if(typeof a=="number"&&isFinite(a)){if(a>3||isNaN(a)){const d={};t===null?
t=[d]:t.push(d),e++}else if(a<-3||isNaN(a)){const d={};t===null?t=[d]:t.push(d),e++}}else{const d={};t===null?t=[d]:t.push(d),e++}var s=b===e}else var s=!0;if(s){
if(r.warmthMired!==void 0){let a=r.warmthMired;const b=e;if(e===b)if(typeof a=="number"&&isFinite(a)){if(a>100||isNaN(a)){const d={};t===null?t=[d]:t.push(d),e++}else if(a<
-100||isNaN(a)){const d={};t===null?t=[d]:t.push(d),e++}}else{const d={};t===null?t=[d]:t.push(d),e++}var s=b===e}else var s=!0;if(s){if(r.contrast!==void 0){let a=r.
contrast;const b=e;if(e===b)if(typeof a=="number"&&isFinite(a)){if(a>2||isNaN(a)){const d={};t===null?t=[d]:t.push(d),e++}else if(a<.5||isNaN(a)){const d={};t===
null?t=[d]:t.push(d),e++}}else{const d={};t===null?t=[d]:t.push(d),e++}var s=b===e}else var s=!0;if(s){if(r.saturation!==void 0){let a=r.saturation;const b=e;if(e===
b)if(typeof a=="number"&&isFinite(a)){if(a>1.5||isNaN(a)){const d={};t===null?t=[d]:t.push(d),e++}else if(a<0||isNaN(a)){const d={};t===null?t=[d]:t.push(d),e++}}else{
const d={};t===null?t=[d]:t.push(d),e++}var s=b===e}else var s=!0;if(s)if(r.mix!==void 0){let a=r.mix;const b=e,h=e;let d=!1;const Q=e;if(e===Q)if(Array.isArray(
a))if(a.length>3){const x={};t===null?t=[x]:t.push(x),e++}else if(a.length<3){const x={};t===null?t=[x]:t.push(x),e++}else{var i=!0;const x=a.length;for(let te=0;te<
x;te++){let O=a[te];const _e=e;if(e===_e)if(typeof O=="number"&&isFinite(O)){if(O>2||isNaN(O)){const R={};t===null?t=[R]:t.push(R),e++}else if(O<-1||isNaN(O)){const R={};
t===null?t=[R]:t.push(R),e++}}else{const R={};t===null?t=[R]:t.push(R),e++}var i=_e===e;if(!i)break}}else{const x={};t===null?t=[x]:t.push(x),e++}var u=Q===e;if(d=
d||u,!d){const x=e;if(a!==null){const O={};t===null?t=[O]:t.push(O),e++}var u=x===e;d=d||u}if(d)e=h,t!==null&&(h?t.length=h:t=null);else{const x={};t===null?t=[
x]:t.push(x),e++}var s=b===e}else var s=!0}}}}}}}else{const p={};t===null?t=[p]:t.push(p),e++}var g=o===e;if(n=n||g,!n){const p=e;if(r!==null){const a={};t===null?
t=[a]:t.push(a),e++}var g=p===e;n=n||g}if(n)e=l,t!==null&&(l?t.length=l:t=null);else{const p={};return t===null?t=[p]:t.push(p),e++,De.errors=t,!1}return De.errors=
t,e===0}
exports.deskChecks = exports;

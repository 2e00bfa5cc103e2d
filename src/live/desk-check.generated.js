// Made by tools/checks.ts from the JSON schemas. Not to be changed by hand.
"use strict";
exports.controls = validate10;
const schema11 = {"type":"object","required":["shutter","iso","compensationEv"],"properties":{"shutter":{"type":"object","required":["auto","exact"],"additionalProperties":false,"properties":{"auto":{"type":"boolean"},"exact":{"type":"number","exclusiveMinimum":0,"maximum":8192}}},"iso":{"type":"object","required":["auto","exact"],"additionalProperties":false,"properties":{"auto":{"type":"boolean"},"exact":{"type":"number","exclusiveMinimum":0,"maximum":8192}}},"aperture":{"type":"object","required":["auto","exact"],"additionalProperties":false,"properties":{"auto":{"type":"boolean"},"exact":{"type":"number","exclusiveMinimum":0,"maximum":8192}}},"compensationEv":{"type":"number","minimum":-5,"maximum":5}}};

function validate10(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if((((data.shutter === undefined) && (missing0 = "shutter")) || ((data.iso === undefined) && (missing0 = "iso"))) || ((data.compensationEv === undefined) && (missing0 = "compensationEv"))){
validate10.errors = [{instancePath,schemaPath:"#/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
if(data.shutter !== undefined){
let data0 = data.shutter;
const _errs1 = errors;
if(errors === _errs1){
if(data0 && typeof data0 == "object" && !Array.isArray(data0)){
let missing1;
if(((data0.auto === undefined) && (missing1 = "auto")) || ((data0.exact === undefined) && (missing1 = "exact"))){
validate10.errors = [{instancePath:instancePath+"/shutter",schemaPath:"#/properties/shutter/required",keyword:"required",params:{missingProperty: missing1},message:"must have required property '"+missing1+"'"}];
return false;
}
else {
const _errs3 = errors;
for(const key0 in data0){
if(!((key0 === "auto") || (key0 === "exact"))){
validate10.errors = [{instancePath:instancePath+"/shutter",schemaPath:"#/properties/shutter/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key0},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs3 === errors){
if(data0.auto !== undefined){
const _errs4 = errors;
if(typeof data0.auto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/shutter/auto",schemaPath:"#/properties/shutter/properties/auto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid1 = _errs4 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data0.exact !== undefined){
let data2 = data0.exact;
const _errs6 = errors;
if(errors === _errs6){
if((typeof data2 == "number") && (isFinite(data2))){
if(data2 > 8192 || isNaN(data2)){
validate10.errors = [{instancePath:instancePath+"/shutter/exact",schemaPath:"#/properties/shutter/properties/exact/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data2 <= 0 || isNaN(data2)){
validate10.errors = [{instancePath:instancePath+"/shutter/exact",schemaPath:"#/properties/shutter/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/shutter/exact",schemaPath:"#/properties/shutter/properties/exact/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid1 = _errs6 === errors;
}
else {
var valid1 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/shutter",schemaPath:"#/properties/shutter/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs1 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.iso !== undefined){
let data3 = data.iso;
const _errs8 = errors;
if(errors === _errs8){
if(data3 && typeof data3 == "object" && !Array.isArray(data3)){
let missing2;
if(((data3.auto === undefined) && (missing2 = "auto")) || ((data3.exact === undefined) && (missing2 = "exact"))){
validate10.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/required",keyword:"required",params:{missingProperty: missing2},message:"must have required property '"+missing2+"'"}];
return false;
}
else {
const _errs10 = errors;
for(const key1 in data3){
if(!((key1 === "auto") || (key1 === "exact"))){
validate10.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key1},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs10 === errors){
if(data3.auto !== undefined){
const _errs11 = errors;
if(typeof data3.auto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/iso/auto",schemaPath:"#/properties/iso/properties/auto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid2 = _errs11 === errors;
}
else {
var valid2 = true;
}
if(valid2){
if(data3.exact !== undefined){
let data5 = data3.exact;
const _errs13 = errors;
if(errors === _errs13){
if((typeof data5 == "number") && (isFinite(data5))){
if(data5 > 8192 || isNaN(data5)){
validate10.errors = [{instancePath:instancePath+"/iso/exact",schemaPath:"#/properties/iso/properties/exact/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data5 <= 0 || isNaN(data5)){
validate10.errors = [{instancePath:instancePath+"/iso/exact",schemaPath:"#/properties/iso/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/iso/exact",schemaPath:"#/properties/iso/properties/exact/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid2 = _errs13 === errors;
}
else {
var valid2 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs8 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.aperture !== undefined){
let data6 = data.aperture;
const _errs15 = errors;
if(errors === _errs15){
if(data6 && typeof data6 == "object" && !Array.isArray(data6)){
let missing3;
if(((data6.auto === undefined) && (missing3 = "auto")) || ((data6.exact === undefined) && (missing3 = "exact"))){
validate10.errors = [{instancePath:instancePath+"/aperture",schemaPath:"#/properties/aperture/required",keyword:"required",params:{missingProperty: missing3},message:"must have required property '"+missing3+"'"}];
return false;
}
else {
const _errs17 = errors;
for(const key2 in data6){
if(!((key2 === "auto") || (key2 === "exact"))){
validate10.errors = [{instancePath:instancePath+"/aperture",schemaPath:"#/properties/aperture/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key2},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs17 === errors){
if(data6.auto !== undefined){
const _errs18 = errors;
if(typeof data6.auto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/aperture/auto",schemaPath:"#/properties/aperture/properties/auto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid3 = _errs18 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data6.exact !== undefined){
let data8 = data6.exact;
const _errs20 = errors;
if(errors === _errs20){
if((typeof data8 == "number") && (isFinite(data8))){
if(data8 > 8192 || isNaN(data8)){
validate10.errors = [{instancePath:instancePath+"/aperture/exact",schemaPath:"#/properties/aperture/properties/exact/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data8 <= 0 || isNaN(data8)){
validate10.errors = [{instancePath:instancePath+"/aperture/exact",schemaPath:"#/properties/aperture/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/aperture/exact",schemaPath:"#/properties/aperture/properties/exact/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid3 = _errs20 === errors;
}
else {
var valid3 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/aperture",schemaPath:"#/properties/aperture/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs15 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.compensationEv !== undefined){
let data9 = data.compensationEv;
const _errs22 = errors;
if(errors === _errs22){
if((typeof data9 == "number") && (isFinite(data9))){
if(data9 > 5 || isNaN(data9)){
validate10.errors = [{instancePath:instancePath+"/compensationEv",schemaPath:"#/properties/compensationEv/maximum",keyword:"maximum",params:{comparison: "<=", limit: 5},message:"must be <= 5"}];
return false;
}
else {
if(data9 < -5 || isNaN(data9)){
validate10.errors = [{instancePath:instancePath+"/compensationEv",schemaPath:"#/properties/compensationEv/minimum",keyword:"minimum",params:{comparison: ">=", limit: -5},message:"must be >= -5"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/compensationEv",schemaPath:"#/properties/compensationEv/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs22 === errors;
}
else {
var valid0 = true;
}
}
}
}
}
}
else {
validate10.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
validate10.errors = vErrors;
return errors === 0;
}

exports.focus = validate11;
const schema12 = {"type":"object","required":["auto","exact"],"additionalProperties":false,"properties":{"auto":{"type":"boolean"},"exact":{"type":"number","exclusiveMinimum":0,"maximum":8192}}};

function validate11(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if(((data.auto === undefined) && (missing0 = "auto")) || ((data.exact === undefined) && (missing0 = "exact"))){
validate11.errors = [{instancePath,schemaPath:"#/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
const _errs1 = errors;
for(const key0 in data){
if(!((key0 === "auto") || (key0 === "exact"))){
validate11.errors = [{instancePath,schemaPath:"#/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key0},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs1 === errors){
if(data.auto !== undefined){
const _errs2 = errors;
if(typeof data.auto !== "boolean"){
validate11.errors = [{instancePath:instancePath+"/auto",schemaPath:"#/properties/auto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid0 = _errs2 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.exact !== undefined){
let data1 = data.exact;
const _errs4 = errors;
if(errors === _errs4){
if((typeof data1 == "number") && (isFinite(data1))){
if(data1 > 8192 || isNaN(data1)){
validate11.errors = [{instancePath:instancePath+"/exact",schemaPath:"#/properties/exact/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data1 <= 0 || isNaN(data1)){
validate11.errors = [{instancePath:instancePath+"/exact",schemaPath:"#/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate11.errors = [{instancePath:instancePath+"/exact",schemaPath:"#/properties/exact/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs4 === errors;
}
else {
var valid0 = true;
}
}
}
}
}
else {
validate11.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
validate11.errors = vErrors;
return errors === 0;
}

exports.lens = validate12;
const schema13 = {"enum":["ultra-wide","wide","tele","zoom-24","zoom-35","zoom-50","zoom-77"]};

function validate12(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(!(((((((data === "ultra-wide") || (data === "wide")) || (data === "tele")) || (data === "zoom-24")) || (data === "zoom-35")) || (data === "zoom-50")) || (data === "zoom-77"))){
validate12.errors = [{instancePath,schemaPath:"#/enum",keyword:"enum",params:{allowedValues: schema13.enum},message:"must be equal to one of the allowed values"}];
return false;
}
validate12.errors = vErrors;
return errors === 0;
}

exports.scene = validate13;
const schema14 = {"type":"string","pattern":"^[a-z0-9-]+$"};
const pattern0 = new RegExp("^[a-z0-9-]+$", "u");

function validate13(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(typeof data === "string"){
if(!pattern0.test(data)){
validate13.errors = [{instancePath,schemaPath:"#/pattern",keyword:"pattern",params:{pattern: "^[a-z0-9-]+$"},message:"must match pattern \""+"^[a-z0-9-]+$"+"\""}];
return false;
}
}
else {
validate13.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "string"},message:"must be string"}];
return false;
}
}
validate13.errors = vErrors;
return errors === 0;
}

exports.outside = validate14;
const schema15 = {"type":"object","required":["levels","support","wheel"],"properties":{"levels":{"type":"object","additionalProperties":{"type":"number","minimum":0,"maximum":1}},"support":{"enum":["hand","tripod"]},"wheel":{"enum":["still","slow","fast"]}}};

function validate14(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if((((data.levels === undefined) && (missing0 = "levels")) || ((data.support === undefined) && (missing0 = "support"))) || ((data.wheel === undefined) && (missing0 = "wheel"))){
validate14.errors = [{instancePath,schemaPath:"#/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
if(data.levels !== undefined){
let data0 = data.levels;
const _errs1 = errors;
if(errors === _errs1){
if(data0 && typeof data0 == "object" && !Array.isArray(data0)){
for(const key0 in data0){
let data1 = data0[key0];
const _errs4 = errors;
if(errors === _errs4){
if((typeof data1 == "number") && (isFinite(data1))){
if(data1 > 1 || isNaN(data1)){
validate14.errors = [{instancePath:instancePath+"/levels/" + key0.replace(/~/g, "~0").replace(/\//g, "~1"),schemaPath:"#/properties/levels/additionalProperties/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data1 < 0 || isNaN(data1)){
validate14.errors = [{instancePath:instancePath+"/levels/" + key0.replace(/~/g, "~0").replace(/\//g, "~1"),schemaPath:"#/properties/levels/additionalProperties/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate14.errors = [{instancePath:instancePath+"/levels/" + key0.replace(/~/g, "~0").replace(/\//g, "~1"),schemaPath:"#/properties/levels/additionalProperties/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid1 = _errs4 === errors;
if(!valid1){
break;
}
}
}
else {
validate14.errors = [{instancePath:instancePath+"/levels",schemaPath:"#/properties/levels/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs1 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.support !== undefined){
let data2 = data.support;
const _errs6 = errors;
if(!((data2 === "hand") || (data2 === "tripod"))){
validate14.errors = [{instancePath:instancePath+"/support",schemaPath:"#/properties/support/enum",keyword:"enum",params:{allowedValues: schema15.properties.support.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs6 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.wheel !== undefined){
let data3 = data.wheel;
const _errs7 = errors;
if(!(((data3 === "still") || (data3 === "slow")) || (data3 === "fast"))){
validate14.errors = [{instancePath:instancePath+"/wheel",schemaPath:"#/properties/wheel/enum",keyword:"enum",params:{allowedValues: schema15.properties.wheel.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs7 === errors;
}
else {
var valid0 = true;
}
}
}
}
}
else {
validate14.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
validate14.errors = vErrors;
return errors === 0;
}

exports.pattern = validate15;
const schema16 = {"enum":["evaluative","centre","spot","highlight"]};

function validate15(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(!((((data === "evaluative") || (data === "centre")) || (data === "spot")) || (data === "highlight"))){
validate15.errors = [{instancePath,schemaPath:"#/enum",keyword:"enum",params:{allowedValues: schema16.enum},message:"must be equal to one of the allowed values"}];
return false;
}
validate15.errors = vErrors;
return errors === 0;
}

exports.spot = validate16;
const schema17 = {"type":"object","required":["x","y"],"properties":{"x":{"type":"number","minimum":0,"maximum":1},"y":{"type":"number","minimum":0,"maximum":1}}};

function validate16(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if(((data.x === undefined) && (missing0 = "x")) || ((data.y === undefined) && (missing0 = "y"))){
validate16.errors = [{instancePath,schemaPath:"#/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
if(data.x !== undefined){
let data0 = data.x;
const _errs1 = errors;
if(errors === _errs1){
if((typeof data0 == "number") && (isFinite(data0))){
if(data0 > 1 || isNaN(data0)){
validate16.errors = [{instancePath:instancePath+"/x",schemaPath:"#/properties/x/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data0 < 0 || isNaN(data0)){
validate16.errors = [{instancePath:instancePath+"/x",schemaPath:"#/properties/x/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate16.errors = [{instancePath:instancePath+"/x",schemaPath:"#/properties/x/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs1 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.y !== undefined){
let data1 = data.y;
const _errs3 = errors;
if(errors === _errs3){
if((typeof data1 == "number") && (isFinite(data1))){
if(data1 > 1 || isNaN(data1)){
validate16.errors = [{instancePath:instancePath+"/y",schemaPath:"#/properties/y/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data1 < 0 || isNaN(data1)){
validate16.errors = [{instancePath:instancePath+"/y",schemaPath:"#/properties/y/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate16.errors = [{instancePath:instancePath+"/y",schemaPath:"#/properties/y/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs3 === errors;
}
else {
var valid0 = true;
}
}
}
}
else {
validate16.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
validate16.errors = vErrors;
return errors === 0;
}

exports.spotShare = validate17;
const schema18 = {"enum":[0.003,0.01,0.03]};

function validate17(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(!(((data === 0.003) || (data === 0.01)) || (data === 0.03))){
validate17.errors = [{instancePath,schemaPath:"#/enum",keyword:"enum",params:{allowedValues: schema18.enum},message:"must be equal to one of the allowed values"}];
return false;
}
validate17.errors = vErrors;
return errors === 0;
}

exports.burnShare = validate18;
const schema19 = {"enum":[0.0003,0.001,0.01]};

function validate18(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(!(((data === 0.0003) || (data === 0.001)) || (data === 0.01))){
validate18.errors = [{instancePath,schemaPath:"#/enum",keyword:"enum",params:{allowedValues: schema19.enum},message:"must be equal to one of the allowed values"}];
return false;
}
validate18.errors = vErrors;
return errors === 0;
}

exports.pins = validate19;
const schema20 = {"type":"array","maxItems":8,"items":{"type":"object","required":["letter","x","y"],"properties":{"x":{"type":"number","minimum":0,"maximum":1},"y":{"type":"number","minimum":0,"maximum":1},"letter":{"enum":["A","B","C","D","E","F","G","H"]}}}};

function validate19(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(Array.isArray(data)){
if(data.length > 8){
validate19.errors = [{instancePath,schemaPath:"#/maxItems",keyword:"maxItems",params:{limit: 8},message:"must NOT have more than 8 items"}];
return false;
}
else {
var valid0 = true;
const len0 = data.length;
for(let i0=0; i0<len0; i0++){
let data0 = data[i0];
const _errs1 = errors;
if(errors === _errs1){
if(data0 && typeof data0 == "object" && !Array.isArray(data0)){
let missing0;
if((((data0.letter === undefined) && (missing0 = "letter")) || ((data0.x === undefined) && (missing0 = "x"))) || ((data0.y === undefined) && (missing0 = "y"))){
validate19.errors = [{instancePath:instancePath+"/" + i0,schemaPath:"#/items/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
if(data0.x !== undefined){
let data1 = data0.x;
const _errs3 = errors;
if(errors === _errs3){
if((typeof data1 == "number") && (isFinite(data1))){
if(data1 > 1 || isNaN(data1)){
validate19.errors = [{instancePath:instancePath+"/" + i0+"/x",schemaPath:"#/items/properties/x/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data1 < 0 || isNaN(data1)){
validate19.errors = [{instancePath:instancePath+"/" + i0+"/x",schemaPath:"#/items/properties/x/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate19.errors = [{instancePath:instancePath+"/" + i0+"/x",schemaPath:"#/items/properties/x/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid1 = _errs3 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data0.y !== undefined){
let data2 = data0.y;
const _errs5 = errors;
if(errors === _errs5){
if((typeof data2 == "number") && (isFinite(data2))){
if(data2 > 1 || isNaN(data2)){
validate19.errors = [{instancePath:instancePath+"/" + i0+"/y",schemaPath:"#/items/properties/y/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data2 < 0 || isNaN(data2)){
validate19.errors = [{instancePath:instancePath+"/" + i0+"/y",schemaPath:"#/items/properties/y/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate19.errors = [{instancePath:instancePath+"/" + i0+"/y",schemaPath:"#/items/properties/y/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid1 = _errs5 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data0.letter !== undefined){
let data3 = data0.letter;
const _errs7 = errors;
if(!((((((((data3 === "A") || (data3 === "B")) || (data3 === "C")) || (data3 === "D")) || (data3 === "E")) || (data3 === "F")) || (data3 === "G")) || (data3 === "H"))){
validate19.errors = [{instancePath:instancePath+"/" + i0+"/letter",schemaPath:"#/items/properties/letter/enum",keyword:"enum",params:{allowedValues: schema20.items.properties.letter.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid1 = _errs7 === errors;
}
else {
var valid1 = true;
}
}
}
}
}
else {
validate19.errors = [{instancePath:instancePath+"/" + i0,schemaPath:"#/items/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs1 === errors;
if(!valid0){
break;
}
}
}
}
else {
validate19.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
validate19.errors = vErrors;
return errors === 0;
}

exports.rules = validate20;
const schema21 = {"type":"object","required":["order","steadyThirds","isoCeiling","shutter","iso","aperture"],"additionalProperties":false,"properties":{"order":{"type":"array","items":{"enum":["shutter","aperture","iso"]},"uniqueItems":true,"minItems":3,"maxItems":3},"steadyThirds":{"type":"integer","minimum":-6,"maximum":6},"isoCeiling":{"type":"number","minimum":50,"maximum":6500},"shutter":{"type":"array","items":{"type":"number","exclusiveMinimum":0,"maximum":8192},"minItems":2,"maxItems":2},"iso":{"type":"array","items":{"type":"number","exclusiveMinimum":0,"maximum":8192},"minItems":2,"maxItems":2},"aperture":{"type":"array","items":{"type":"number","exclusiveMinimum":0,"maximum":8192},"minItems":2,"maxItems":2}}};
const func0 = require("ajv/dist/runtime/equal").default;

function validate20(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if(((((((data.order === undefined) && (missing0 = "order")) || ((data.steadyThirds === undefined) && (missing0 = "steadyThirds"))) || ((data.isoCeiling === undefined) && (missing0 = "isoCeiling"))) || ((data.shutter === undefined) && (missing0 = "shutter"))) || ((data.iso === undefined) && (missing0 = "iso"))) || ((data.aperture === undefined) && (missing0 = "aperture"))){
validate20.errors = [{instancePath,schemaPath:"#/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
const _errs1 = errors;
for(const key0 in data){
if(!((((((key0 === "order") || (key0 === "steadyThirds")) || (key0 === "isoCeiling")) || (key0 === "shutter")) || (key0 === "iso")) || (key0 === "aperture"))){
validate20.errors = [{instancePath,schemaPath:"#/additionalProperties",keyword:"additionalProperties",params:{additionalProperty: key0},message:"must NOT have additional properties"}];
return false;
break;
}
}
if(_errs1 === errors){
if(data.order !== undefined){
let data0 = data.order;
const _errs2 = errors;
if(errors === _errs2){
if(Array.isArray(data0)){
if(data0.length > 3){
validate20.errors = [{instancePath:instancePath+"/order",schemaPath:"#/properties/order/maxItems",keyword:"maxItems",params:{limit: 3},message:"must NOT have more than 3 items"}];
return false;
}
else {
if(data0.length < 3){
validate20.errors = [{instancePath:instancePath+"/order",schemaPath:"#/properties/order/minItems",keyword:"minItems",params:{limit: 3},message:"must NOT have fewer than 3 items"}];
return false;
}
else {
var valid1 = true;
const len0 = data0.length;
for(let i0=0; i0<len0; i0++){
let data1 = data0[i0];
const _errs4 = errors;
if(!(((data1 === "shutter") || (data1 === "aperture")) || (data1 === "iso"))){
validate20.errors = [{instancePath:instancePath+"/order/" + i0,schemaPath:"#/properties/order/items/enum",keyword:"enum",params:{allowedValues: schema21.properties.order.items.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid1 = _errs4 === errors;
if(!valid1){
break;
}
}
if(valid1){
let i1 = data0.length;
let j0;
if(i1 > 1){
outer0:
for(;i1--;){
for(j0 = i1; j0--;){
if(func0(data0[i1], data0[j0])){
validate20.errors = [{instancePath:instancePath+"/order",schemaPath:"#/properties/order/uniqueItems",keyword:"uniqueItems",params:{i: i1, j: j0},message:"must NOT have duplicate items (items ## "+j0+" and "+i1+" are identical)"}];
return false;
break outer0;
}
}
}
}
}
}
}
}
else {
validate20.errors = [{instancePath:instancePath+"/order",schemaPath:"#/properties/order/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid0 = _errs2 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.steadyThirds !== undefined){
let data2 = data.steadyThirds;
const _errs5 = errors;
if(!(((typeof data2 == "number") && (!(data2 % 1) && !isNaN(data2))) && (isFinite(data2)))){
validate20.errors = [{instancePath:instancePath+"/steadyThirds",schemaPath:"#/properties/steadyThirds/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs5){
if((typeof data2 == "number") && (isFinite(data2))){
if(data2 > 6 || isNaN(data2)){
validate20.errors = [{instancePath:instancePath+"/steadyThirds",schemaPath:"#/properties/steadyThirds/maximum",keyword:"maximum",params:{comparison: "<=", limit: 6},message:"must be <= 6"}];
return false;
}
else {
if(data2 < -6 || isNaN(data2)){
validate20.errors = [{instancePath:instancePath+"/steadyThirds",schemaPath:"#/properties/steadyThirds/minimum",keyword:"minimum",params:{comparison: ">=", limit: -6},message:"must be >= -6"}];
return false;
}
}
}
}
var valid0 = _errs5 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.isoCeiling !== undefined){
let data3 = data.isoCeiling;
const _errs7 = errors;
if(errors === _errs7){
if((typeof data3 == "number") && (isFinite(data3))){
if(data3 > 6500 || isNaN(data3)){
validate20.errors = [{instancePath:instancePath+"/isoCeiling",schemaPath:"#/properties/isoCeiling/maximum",keyword:"maximum",params:{comparison: "<=", limit: 6500},message:"must be <= 6500"}];
return false;
}
else {
if(data3 < 50 || isNaN(data3)){
validate20.errors = [{instancePath:instancePath+"/isoCeiling",schemaPath:"#/properties/isoCeiling/minimum",keyword:"minimum",params:{comparison: ">=", limit: 50},message:"must be >= 50"}];
return false;
}
}
}
else {
validate20.errors = [{instancePath:instancePath+"/isoCeiling",schemaPath:"#/properties/isoCeiling/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs7 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.shutter !== undefined){
let data4 = data.shutter;
const _errs9 = errors;
if(errors === _errs9){
if(Array.isArray(data4)){
if(data4.length > 2){
validate20.errors = [{instancePath:instancePath+"/shutter",schemaPath:"#/properties/shutter/maxItems",keyword:"maxItems",params:{limit: 2},message:"must NOT have more than 2 items"}];
return false;
}
else {
if(data4.length < 2){
validate20.errors = [{instancePath:instancePath+"/shutter",schemaPath:"#/properties/shutter/minItems",keyword:"minItems",params:{limit: 2},message:"must NOT have fewer than 2 items"}];
return false;
}
else {
var valid3 = true;
const len1 = data4.length;
for(let i2=0; i2<len1; i2++){
let data5 = data4[i2];
const _errs11 = errors;
if(errors === _errs11){
if((typeof data5 == "number") && (isFinite(data5))){
if(data5 > 8192 || isNaN(data5)){
validate20.errors = [{instancePath:instancePath+"/shutter/" + i2,schemaPath:"#/properties/shutter/items/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data5 <= 0 || isNaN(data5)){
validate20.errors = [{instancePath:instancePath+"/shutter/" + i2,schemaPath:"#/properties/shutter/items/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate20.errors = [{instancePath:instancePath+"/shutter/" + i2,schemaPath:"#/properties/shutter/items/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid3 = _errs11 === errors;
if(!valid3){
break;
}
}
}
}
}
else {
validate20.errors = [{instancePath:instancePath+"/shutter",schemaPath:"#/properties/shutter/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid0 = _errs9 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.iso !== undefined){
let data6 = data.iso;
const _errs13 = errors;
if(errors === _errs13){
if(Array.isArray(data6)){
if(data6.length > 2){
validate20.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/maxItems",keyword:"maxItems",params:{limit: 2},message:"must NOT have more than 2 items"}];
return false;
}
else {
if(data6.length < 2){
validate20.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/minItems",keyword:"minItems",params:{limit: 2},message:"must NOT have fewer than 2 items"}];
return false;
}
else {
var valid4 = true;
const len2 = data6.length;
for(let i3=0; i3<len2; i3++){
let data7 = data6[i3];
const _errs15 = errors;
if(errors === _errs15){
if((typeof data7 == "number") && (isFinite(data7))){
if(data7 > 8192 || isNaN(data7)){
validate20.errors = [{instancePath:instancePath+"/iso/" + i3,schemaPath:"#/properties/iso/items/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data7 <= 0 || isNaN(data7)){
validate20.errors = [{instancePath:instancePath+"/iso/" + i3,schemaPath:"#/properties/iso/items/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate20.errors = [{instancePath:instancePath+"/iso/" + i3,schemaPath:"#/properties/iso/items/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid4 = _errs15 === errors;
if(!valid4){
break;
}
}
}
}
}
else {
validate20.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid0 = _errs13 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.aperture !== undefined){
let data8 = data.aperture;
const _errs17 = errors;
if(errors === _errs17){
if(Array.isArray(data8)){
if(data8.length > 2){
validate20.errors = [{instancePath:instancePath+"/aperture",schemaPath:"#/properties/aperture/maxItems",keyword:"maxItems",params:{limit: 2},message:"must NOT have more than 2 items"}];
return false;
}
else {
if(data8.length < 2){
validate20.errors = [{instancePath:instancePath+"/aperture",schemaPath:"#/properties/aperture/minItems",keyword:"minItems",params:{limit: 2},message:"must NOT have fewer than 2 items"}];
return false;
}
else {
var valid5 = true;
const len3 = data8.length;
for(let i4=0; i4<len3; i4++){
let data9 = data8[i4];
const _errs19 = errors;
if(errors === _errs19){
if((typeof data9 == "number") && (isFinite(data9))){
if(data9 > 8192 || isNaN(data9)){
validate20.errors = [{instancePath:instancePath+"/aperture/" + i4,schemaPath:"#/properties/aperture/items/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"}];
return false;
}
else {
if(data9 <= 0 || isNaN(data9)){
validate20.errors = [{instancePath:instancePath+"/aperture/" + i4,schemaPath:"#/properties/aperture/items/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
else {
validate20.errors = [{instancePath:instancePath+"/aperture/" + i4,schemaPath:"#/properties/aperture/items/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid5 = _errs19 === errors;
if(!valid5){
break;
}
}
}
}
}
else {
validate20.errors = [{instancePath:instancePath+"/aperture",schemaPath:"#/properties/aperture/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid0 = _errs17 === errors;
}
else {
var valid0 = true;
}
}
}
}
}
}
}
}
}
else {
validate20.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
validate20.errors = vErrors;
return errors === 0;
}

exports.lock = validate21;
const schema22 = {"anyOf":[{"type":"null"},{"type":"object","required":["ev100","by"],"properties":{"ev100":{"type":"number","minimum":-40,"maximum":60},"by":{"type":"string","maxLength":80}}}]};
const func3 = require("ajv/dist/runtime/ucs2length").default;

function validate21(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
const _errs0 = errors;
let valid0 = false;
const _errs1 = errors;
if(data !== null){
const err0 = {instancePath,schemaPath:"#/anyOf/0/type",keyword:"type",params:{type: "null"},message:"must be null"};
if(vErrors === null){
vErrors = [err0];
}
else {
vErrors.push(err0);
}
errors++;
}
var _valid0 = _errs1 === errors;
valid0 = valid0 || _valid0;
if(!valid0){
const _errs3 = errors;
if(errors === _errs3){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if(((data.ev100 === undefined) && (missing0 = "ev100")) || ((data.by === undefined) && (missing0 = "by"))){
const err1 = {instancePath,schemaPath:"#/anyOf/1/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"};
if(vErrors === null){
vErrors = [err1];
}
else {
vErrors.push(err1);
}
errors++;
}
else {
if(data.ev100 !== undefined){
let data0 = data.ev100;
const _errs5 = errors;
if(errors === _errs5){
if((typeof data0 == "number") && (isFinite(data0))){
if(data0 > 60 || isNaN(data0)){
const err2 = {instancePath:instancePath+"/ev100",schemaPath:"#/anyOf/1/properties/ev100/maximum",keyword:"maximum",params:{comparison: "<=", limit: 60},message:"must be <= 60"};
if(vErrors === null){
vErrors = [err2];
}
else {
vErrors.push(err2);
}
errors++;
}
else {
if(data0 < -40 || isNaN(data0)){
const err3 = {instancePath:instancePath+"/ev100",schemaPath:"#/anyOf/1/properties/ev100/minimum",keyword:"minimum",params:{comparison: ">=", limit: -40},message:"must be >= -40"};
if(vErrors === null){
vErrors = [err3];
}
else {
vErrors.push(err3);
}
errors++;
}
}
}
else {
const err4 = {instancePath:instancePath+"/ev100",schemaPath:"#/anyOf/1/properties/ev100/type",keyword:"type",params:{type: "number"},message:"must be number"};
if(vErrors === null){
vErrors = [err4];
}
else {
vErrors.push(err4);
}
errors++;
}
}
var valid1 = _errs5 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data.by !== undefined){
let data1 = data.by;
const _errs7 = errors;
if(errors === _errs7){
if(typeof data1 === "string"){
if(func3(data1) > 80){
const err5 = {instancePath:instancePath+"/by",schemaPath:"#/anyOf/1/properties/by/maxLength",keyword:"maxLength",params:{limit: 80},message:"must NOT have more than 80 characters"};
if(vErrors === null){
vErrors = [err5];
}
else {
vErrors.push(err5);
}
errors++;
}
}
else {
const err6 = {instancePath:instancePath+"/by",schemaPath:"#/anyOf/1/properties/by/type",keyword:"type",params:{type: "string"},message:"must be string"};
if(vErrors === null){
vErrors = [err6];
}
else {
vErrors.push(err6);
}
errors++;
}
}
var valid1 = _errs7 === errors;
}
else {
var valid1 = true;
}
}
}
}
else {
const err7 = {instancePath,schemaPath:"#/anyOf/1/type",keyword:"type",params:{type: "object"},message:"must be object"};
if(vErrors === null){
vErrors = [err7];
}
else {
vErrors.push(err7);
}
errors++;
}
}
var _valid0 = _errs3 === errors;
valid0 = valid0 || _valid0;
}
if(!valid0){
const err8 = {instancePath,schemaPath:"#/anyOf",keyword:"anyOf",params:{},message:"must match a schema in anyOf"};
if(vErrors === null){
vErrors = [err8];
}
else {
vErrors.push(err8);
}
errors++;
validate21.errors = vErrors;
return false;
}
else {
errors = _errs0;
if(vErrors !== null){
if(_errs0){
vErrors.length = _errs0;
}
else {
vErrors = null;
}
}
}
validate21.errors = vErrors;
return errors === 0;
}

exports.trade = validate22;
const schema23 = {"anyOf":[{"type":"null"},{"type":"object","required":["gives","with"],"properties":{"gives":{"enum":["shutter","aperture","iso"]},"with":{"enum":["shutter","aperture","iso"]}}}]};

function validate22(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
const _errs0 = errors;
let valid0 = false;
const _errs1 = errors;
if(data !== null){
const err0 = {instancePath,schemaPath:"#/anyOf/0/type",keyword:"type",params:{type: "null"},message:"must be null"};
if(vErrors === null){
vErrors = [err0];
}
else {
vErrors.push(err0);
}
errors++;
}
var _valid0 = _errs1 === errors;
valid0 = valid0 || _valid0;
if(!valid0){
const _errs3 = errors;
if(errors === _errs3){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if(((data.gives === undefined) && (missing0 = "gives")) || ((data.with === undefined) && (missing0 = "with"))){
const err1 = {instancePath,schemaPath:"#/anyOf/1/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"};
if(vErrors === null){
vErrors = [err1];
}
else {
vErrors.push(err1);
}
errors++;
}
else {
if(data.gives !== undefined){
let data0 = data.gives;
const _errs5 = errors;
if(!(((data0 === "shutter") || (data0 === "aperture")) || (data0 === "iso"))){
const err2 = {instancePath:instancePath+"/gives",schemaPath:"#/anyOf/1/properties/gives/enum",keyword:"enum",params:{allowedValues: schema23.anyOf[1].properties.gives.enum},message:"must be equal to one of the allowed values"};
if(vErrors === null){
vErrors = [err2];
}
else {
vErrors.push(err2);
}
errors++;
}
var valid1 = _errs5 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data.with !== undefined){
let data1 = data.with;
const _errs6 = errors;
if(!(((data1 === "shutter") || (data1 === "aperture")) || (data1 === "iso"))){
const err3 = {instancePath:instancePath+"/with",schemaPath:"#/anyOf/1/properties/with/enum",keyword:"enum",params:{allowedValues: schema23.anyOf[1].properties.with.enum},message:"must be equal to one of the allowed values"};
if(vErrors === null){
vErrors = [err3];
}
else {
vErrors.push(err3);
}
errors++;
}
var valid1 = _errs6 === errors;
}
else {
var valid1 = true;
}
}
}
}
else {
const err4 = {instancePath,schemaPath:"#/anyOf/1/type",keyword:"type",params:{type: "object"},message:"must be object"};
if(vErrors === null){
vErrors = [err4];
}
else {
vErrors.push(err4);
}
errors++;
}
}
var _valid0 = _errs3 === errors;
valid0 = valid0 || _valid0;
}
if(!valid0){
const err5 = {instancePath,schemaPath:"#/anyOf",keyword:"anyOf",params:{},message:"must match a schema in anyOf"};
if(vErrors === null){
vErrors = [err5];
}
else {
vErrors.push(err5);
}
errors++;
validate22.errors = vErrors;
return false;
}
else {
errors = _errs0;
if(vErrors !== null){
if(_errs0){
vErrors.length = _errs0;
}
else {
vErrors = null;
}
}
}
validate22.errors = vErrors;
return errors === 0;
}

exports.filterStops = validate23;
const schema24 = {"type":"number","minimum":0,"maximum":20};

function validate23(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if((typeof data == "number") && (isFinite(data))){
if(data > 20 || isNaN(data)){
validate23.errors = [{instancePath,schemaPath:"#/maximum",keyword:"maximum",params:{comparison: "<=", limit: 20},message:"must be <= 20"}];
return false;
}
else {
if(data < 0 || isNaN(data)){
validate23.errors = [{instancePath,schemaPath:"#/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate23.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
validate23.errors = vErrors;
return errors === 0;
}

exports.delayS = validate24;
const schema25 = {"enum":[0,2,5,10]};

function validate24(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(!((((data === 0) || (data === 2)) || (data === 5)) || (data === 10))){
validate24.errors = [{instancePath,schemaPath:"#/enum",keyword:"enum",params:{allowedValues: schema25.enum},message:"must be equal to one of the allowed values"}];
return false;
}
validate24.errors = vErrors;
return errors === 0;
}

exports.receptor = validate25;
const schema26 = {"enum":["flat","dome"]};

function validate25(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(!((data === "flat") || (data === "dome"))){
validate25.errors = [{instancePath,schemaPath:"#/enum",keyword:"enum",params:{allowedValues: schema26.enum},message:"must be equal to one of the allowed values"}];
return false;
}
validate25.errors = vErrors;
return errors === 0;
}

exports.remediesOff = validate26;
const schema27 = {"type":"array","items":{"enum":["range","clipping","meter","doubt","spot","shake","motion","flicker","trails","touch","noise","diffraction","extended"]}};

function validate26(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(Array.isArray(data)){
var valid0 = true;
const len0 = data.length;
for(let i0=0; i0<len0; i0++){
let data0 = data[i0];
const _errs1 = errors;
if(!(((((((((((((data0 === "range") || (data0 === "clipping")) || (data0 === "meter")) || (data0 === "doubt")) || (data0 === "spot")) || (data0 === "shake")) || (data0 === "motion")) || (data0 === "flicker")) || (data0 === "trails")) || (data0 === "touch")) || (data0 === "noise")) || (data0 === "diffraction")) || (data0 === "extended"))){
validate26.errors = [{instancePath:instancePath+"/" + i0,schemaPath:"#/items/enum",keyword:"enum",params:{allowedValues: schema27.items.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs1 === errors;
if(!valid0){
break;
}
}
}
else {
validate26.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
validate26.errors = vErrors;
return errors === 0;
}

exports.check = validate27;
const schema28 = {"type":"object","required":["marks","zebra","share","sparkle","fitBy","habitEv","cleanDb","heights","histogram","histogramSize","histogramOpacity"],"properties":{"marks":{"type":"object","required":["rawClip","rawFloor","pictureWhite","pictureBlack"],"properties":{"rawClip":{"type":"boolean"},"rawFloor":{"type":"boolean"},"pictureWhite":{"type":"boolean"},"pictureBlack":{"type":"boolean"}}},"zebra":{"type":"object","required":["on","of","native","extended"],"properties":{"on":{"type":"boolean"},"of":{"enum":["raw","picture"]},"native":{"type":"object","required":["belowClip12","percent"],"properties":{"belowClip12":{"type":"integer","minimum":0,"maximum":48},"percent":{"type":"integer","minimum":1,"maximum":100}}},"extended":{"type":"object","required":["belowClip12","percent"],"properties":{"belowClip12":{"type":"integer","minimum":0,"maximum":48},"percent":{"type":"integer","minimum":1,"maximum":100}}}}},"share":{"enum":[0.00001,0.00003,0.0001,0.0003,0.001,0.003,0.01,0.03,0.05]},"sparkle":{"enum":[0,0.00005,0.0001,0.0003,0.001]},"fitBy":{"enum":["carrying","shutter","iso","aperture"]},"habitEv":{"type":"number","minimum":-3,"maximum":3},"cleanDb":{"enum":[6,10,15,20,26]},"heights":{"enum":["linear","root","log"]},"histogram":{"enum":["off","raw","picture","both"]},"histogramSize":{"enum":["small","medium","large"]},"histogramOpacity":{"type":"number","minimum":0.3,"maximum":1}}};

function validate27(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if((((((((((((data.marks === undefined) && (missing0 = "marks")) || ((data.zebra === undefined) && (missing0 = "zebra"))) || ((data.share === undefined) && (missing0 = "share"))) || ((data.sparkle === undefined) && (missing0 = "sparkle"))) || ((data.fitBy === undefined) && (missing0 = "fitBy"))) || ((data.habitEv === undefined) && (missing0 = "habitEv"))) || ((data.cleanDb === undefined) && (missing0 = "cleanDb"))) || ((data.heights === undefined) && (missing0 = "heights"))) || ((data.histogram === undefined) && (missing0 = "histogram"))) || ((data.histogramSize === undefined) && (missing0 = "histogramSize"))) || ((data.histogramOpacity === undefined) && (missing0 = "histogramOpacity"))){
validate27.errors = [{instancePath,schemaPath:"#/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
if(data.marks !== undefined){
let data0 = data.marks;
const _errs1 = errors;
if(errors === _errs1){
if(data0 && typeof data0 == "object" && !Array.isArray(data0)){
let missing1;
if(((((data0.rawClip === undefined) && (missing1 = "rawClip")) || ((data0.rawFloor === undefined) && (missing1 = "rawFloor"))) || ((data0.pictureWhite === undefined) && (missing1 = "pictureWhite"))) || ((data0.pictureBlack === undefined) && (missing1 = "pictureBlack"))){
validate27.errors = [{instancePath:instancePath+"/marks",schemaPath:"#/properties/marks/required",keyword:"required",params:{missingProperty: missing1},message:"must have required property '"+missing1+"'"}];
return false;
}
else {
if(data0.rawClip !== undefined){
const _errs3 = errors;
if(typeof data0.rawClip !== "boolean"){
validate27.errors = [{instancePath:instancePath+"/marks/rawClip",schemaPath:"#/properties/marks/properties/rawClip/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid1 = _errs3 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data0.rawFloor !== undefined){
const _errs5 = errors;
if(typeof data0.rawFloor !== "boolean"){
validate27.errors = [{instancePath:instancePath+"/marks/rawFloor",schemaPath:"#/properties/marks/properties/rawFloor/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid1 = _errs5 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data0.pictureWhite !== undefined){
const _errs7 = errors;
if(typeof data0.pictureWhite !== "boolean"){
validate27.errors = [{instancePath:instancePath+"/marks/pictureWhite",schemaPath:"#/properties/marks/properties/pictureWhite/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid1 = _errs7 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data0.pictureBlack !== undefined){
const _errs9 = errors;
if(typeof data0.pictureBlack !== "boolean"){
validate27.errors = [{instancePath:instancePath+"/marks/pictureBlack",schemaPath:"#/properties/marks/properties/pictureBlack/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid1 = _errs9 === errors;
}
else {
var valid1 = true;
}
}
}
}
}
}
else {
validate27.errors = [{instancePath:instancePath+"/marks",schemaPath:"#/properties/marks/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs1 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.zebra !== undefined){
let data5 = data.zebra;
const _errs11 = errors;
if(errors === _errs11){
if(data5 && typeof data5 == "object" && !Array.isArray(data5)){
let missing2;
if(((((data5.on === undefined) && (missing2 = "on")) || ((data5.of === undefined) && (missing2 = "of"))) || ((data5.native === undefined) && (missing2 = "native"))) || ((data5.extended === undefined) && (missing2 = "extended"))){
validate27.errors = [{instancePath:instancePath+"/zebra",schemaPath:"#/properties/zebra/required",keyword:"required",params:{missingProperty: missing2},message:"must have required property '"+missing2+"'"}];
return false;
}
else {
if(data5.on !== undefined){
const _errs13 = errors;
if(typeof data5.on !== "boolean"){
validate27.errors = [{instancePath:instancePath+"/zebra/on",schemaPath:"#/properties/zebra/properties/on/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid2 = _errs13 === errors;
}
else {
var valid2 = true;
}
if(valid2){
if(data5.of !== undefined){
let data7 = data5.of;
const _errs15 = errors;
if(!((data7 === "raw") || (data7 === "picture"))){
validate27.errors = [{instancePath:instancePath+"/zebra/of",schemaPath:"#/properties/zebra/properties/of/enum",keyword:"enum",params:{allowedValues: schema28.properties.zebra.properties.of.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid2 = _errs15 === errors;
}
else {
var valid2 = true;
}
if(valid2){
if(data5.native !== undefined){
let data8 = data5.native;
const _errs16 = errors;
if(errors === _errs16){
if(data8 && typeof data8 == "object" && !Array.isArray(data8)){
let missing3;
if(((data8.belowClip12 === undefined) && (missing3 = "belowClip12")) || ((data8.percent === undefined) && (missing3 = "percent"))){
validate27.errors = [{instancePath:instancePath+"/zebra/native",schemaPath:"#/properties/zebra/properties/native/required",keyword:"required",params:{missingProperty: missing3},message:"must have required property '"+missing3+"'"}];
return false;
}
else {
if(data8.belowClip12 !== undefined){
let data9 = data8.belowClip12;
const _errs18 = errors;
if(!(((typeof data9 == "number") && (!(data9 % 1) && !isNaN(data9))) && (isFinite(data9)))){
validate27.errors = [{instancePath:instancePath+"/zebra/native/belowClip12",schemaPath:"#/properties/zebra/properties/native/properties/belowClip12/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs18){
if((typeof data9 == "number") && (isFinite(data9))){
if(data9 > 48 || isNaN(data9)){
validate27.errors = [{instancePath:instancePath+"/zebra/native/belowClip12",schemaPath:"#/properties/zebra/properties/native/properties/belowClip12/maximum",keyword:"maximum",params:{comparison: "<=", limit: 48},message:"must be <= 48"}];
return false;
}
else {
if(data9 < 0 || isNaN(data9)){
validate27.errors = [{instancePath:instancePath+"/zebra/native/belowClip12",schemaPath:"#/properties/zebra/properties/native/properties/belowClip12/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
}
var valid3 = _errs18 === errors;
}
else {
var valid3 = true;
}
if(valid3){
if(data8.percent !== undefined){
let data10 = data8.percent;
const _errs20 = errors;
if(!(((typeof data10 == "number") && (!(data10 % 1) && !isNaN(data10))) && (isFinite(data10)))){
validate27.errors = [{instancePath:instancePath+"/zebra/native/percent",schemaPath:"#/properties/zebra/properties/native/properties/percent/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs20){
if((typeof data10 == "number") && (isFinite(data10))){
if(data10 > 100 || isNaN(data10)){
validate27.errors = [{instancePath:instancePath+"/zebra/native/percent",schemaPath:"#/properties/zebra/properties/native/properties/percent/maximum",keyword:"maximum",params:{comparison: "<=", limit: 100},message:"must be <= 100"}];
return false;
}
else {
if(data10 < 1 || isNaN(data10)){
validate27.errors = [{instancePath:instancePath+"/zebra/native/percent",schemaPath:"#/properties/zebra/properties/native/properties/percent/minimum",keyword:"minimum",params:{comparison: ">=", limit: 1},message:"must be >= 1"}];
return false;
}
}
}
}
var valid3 = _errs20 === errors;
}
else {
var valid3 = true;
}
}
}
}
else {
validate27.errors = [{instancePath:instancePath+"/zebra/native",schemaPath:"#/properties/zebra/properties/native/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid2 = _errs16 === errors;
}
else {
var valid2 = true;
}
if(valid2){
if(data5.extended !== undefined){
let data11 = data5.extended;
const _errs22 = errors;
if(errors === _errs22){
if(data11 && typeof data11 == "object" && !Array.isArray(data11)){
let missing4;
if(((data11.belowClip12 === undefined) && (missing4 = "belowClip12")) || ((data11.percent === undefined) && (missing4 = "percent"))){
validate27.errors = [{instancePath:instancePath+"/zebra/extended",schemaPath:"#/properties/zebra/properties/extended/required",keyword:"required",params:{missingProperty: missing4},message:"must have required property '"+missing4+"'"}];
return false;
}
else {
if(data11.belowClip12 !== undefined){
let data12 = data11.belowClip12;
const _errs24 = errors;
if(!(((typeof data12 == "number") && (!(data12 % 1) && !isNaN(data12))) && (isFinite(data12)))){
validate27.errors = [{instancePath:instancePath+"/zebra/extended/belowClip12",schemaPath:"#/properties/zebra/properties/extended/properties/belowClip12/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs24){
if((typeof data12 == "number") && (isFinite(data12))){
if(data12 > 48 || isNaN(data12)){
validate27.errors = [{instancePath:instancePath+"/zebra/extended/belowClip12",schemaPath:"#/properties/zebra/properties/extended/properties/belowClip12/maximum",keyword:"maximum",params:{comparison: "<=", limit: 48},message:"must be <= 48"}];
return false;
}
else {
if(data12 < 0 || isNaN(data12)){
validate27.errors = [{instancePath:instancePath+"/zebra/extended/belowClip12",schemaPath:"#/properties/zebra/properties/extended/properties/belowClip12/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
}
var valid4 = _errs24 === errors;
}
else {
var valid4 = true;
}
if(valid4){
if(data11.percent !== undefined){
let data13 = data11.percent;
const _errs26 = errors;
if(!(((typeof data13 == "number") && (!(data13 % 1) && !isNaN(data13))) && (isFinite(data13)))){
validate27.errors = [{instancePath:instancePath+"/zebra/extended/percent",schemaPath:"#/properties/zebra/properties/extended/properties/percent/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs26){
if((typeof data13 == "number") && (isFinite(data13))){
if(data13 > 100 || isNaN(data13)){
validate27.errors = [{instancePath:instancePath+"/zebra/extended/percent",schemaPath:"#/properties/zebra/properties/extended/properties/percent/maximum",keyword:"maximum",params:{comparison: "<=", limit: 100},message:"must be <= 100"}];
return false;
}
else {
if(data13 < 1 || isNaN(data13)){
validate27.errors = [{instancePath:instancePath+"/zebra/extended/percent",schemaPath:"#/properties/zebra/properties/extended/properties/percent/minimum",keyword:"minimum",params:{comparison: ">=", limit: 1},message:"must be >= 1"}];
return false;
}
}
}
}
var valid4 = _errs26 === errors;
}
else {
var valid4 = true;
}
}
}
}
else {
validate27.errors = [{instancePath:instancePath+"/zebra/extended",schemaPath:"#/properties/zebra/properties/extended/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid2 = _errs22 === errors;
}
else {
var valid2 = true;
}
}
}
}
}
}
else {
validate27.errors = [{instancePath:instancePath+"/zebra",schemaPath:"#/properties/zebra/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs11 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.share !== undefined){
let data14 = data.share;
const _errs28 = errors;
if(!(((((((((data14 === 0.00001) || (data14 === 0.00003)) || (data14 === 0.0001)) || (data14 === 0.0003)) || (data14 === 0.001)) || (data14 === 0.003)) || (data14 === 0.01)) || (data14 === 0.03)) || (data14 === 0.05))){
validate27.errors = [{instancePath:instancePath+"/share",schemaPath:"#/properties/share/enum",keyword:"enum",params:{allowedValues: schema28.properties.share.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs28 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.sparkle !== undefined){
let data15 = data.sparkle;
const _errs29 = errors;
if(!(((((data15 === 0) || (data15 === 0.00005)) || (data15 === 0.0001)) || (data15 === 0.0003)) || (data15 === 0.001))){
validate27.errors = [{instancePath:instancePath+"/sparkle",schemaPath:"#/properties/sparkle/enum",keyword:"enum",params:{allowedValues: schema28.properties.sparkle.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs29 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.fitBy !== undefined){
let data16 = data.fitBy;
const _errs30 = errors;
if(!((((data16 === "carrying") || (data16 === "shutter")) || (data16 === "iso")) || (data16 === "aperture"))){
validate27.errors = [{instancePath:instancePath+"/fitBy",schemaPath:"#/properties/fitBy/enum",keyword:"enum",params:{allowedValues: schema28.properties.fitBy.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs30 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.habitEv !== undefined){
let data17 = data.habitEv;
const _errs31 = errors;
if(errors === _errs31){
if((typeof data17 == "number") && (isFinite(data17))){
if(data17 > 3 || isNaN(data17)){
validate27.errors = [{instancePath:instancePath+"/habitEv",schemaPath:"#/properties/habitEv/maximum",keyword:"maximum",params:{comparison: "<=", limit: 3},message:"must be <= 3"}];
return false;
}
else {
if(data17 < -3 || isNaN(data17)){
validate27.errors = [{instancePath:instancePath+"/habitEv",schemaPath:"#/properties/habitEv/minimum",keyword:"minimum",params:{comparison: ">=", limit: -3},message:"must be >= -3"}];
return false;
}
}
}
else {
validate27.errors = [{instancePath:instancePath+"/habitEv",schemaPath:"#/properties/habitEv/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs31 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.cleanDb !== undefined){
let data18 = data.cleanDb;
const _errs33 = errors;
if(!(((((data18 === 6) || (data18 === 10)) || (data18 === 15)) || (data18 === 20)) || (data18 === 26))){
validate27.errors = [{instancePath:instancePath+"/cleanDb",schemaPath:"#/properties/cleanDb/enum",keyword:"enum",params:{allowedValues: schema28.properties.cleanDb.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs33 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.heights !== undefined){
let data19 = data.heights;
const _errs34 = errors;
if(!(((data19 === "linear") || (data19 === "root")) || (data19 === "log"))){
validate27.errors = [{instancePath:instancePath+"/heights",schemaPath:"#/properties/heights/enum",keyword:"enum",params:{allowedValues: schema28.properties.heights.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs34 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.histogram !== undefined){
let data20 = data.histogram;
const _errs35 = errors;
if(!((((data20 === "off") || (data20 === "raw")) || (data20 === "picture")) || (data20 === "both"))){
validate27.errors = [{instancePath:instancePath+"/histogram",schemaPath:"#/properties/histogram/enum",keyword:"enum",params:{allowedValues: schema28.properties.histogram.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs35 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.histogramSize !== undefined){
let data21 = data.histogramSize;
const _errs36 = errors;
if(!(((data21 === "small") || (data21 === "medium")) || (data21 === "large"))){
validate27.errors = [{instancePath:instancePath+"/histogramSize",schemaPath:"#/properties/histogramSize/enum",keyword:"enum",params:{allowedValues: schema28.properties.histogramSize.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs36 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.histogramOpacity !== undefined){
let data22 = data.histogramOpacity;
const _errs37 = errors;
if(errors === _errs37){
if((typeof data22 == "number") && (isFinite(data22))){
if(data22 > 1 || isNaN(data22)){
validate27.errors = [{instancePath:instancePath+"/histogramOpacity",schemaPath:"#/properties/histogramOpacity/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data22 < 0.3 || isNaN(data22)){
validate27.errors = [{instancePath:instancePath+"/histogramOpacity",schemaPath:"#/properties/histogramOpacity/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0.3},message:"must be >= 0.3"}];
return false;
}
}
}
else {
validate27.errors = [{instancePath:instancePath+"/histogramOpacity",schemaPath:"#/properties/histogramOpacity/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs37 === errors;
}
else {
var valid0 = true;
}
}
}
}
}
}
}
}
}
}
}
}
}
else {
validate27.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
validate27.errors = vErrors;
return errors === 0;
}

exports.other = validate28;
const schema29 = {"anyOf":[{"type":"null"},{"type":"object","required":["shutterS","iso","apertureN"],"properties":{"shutterS":{"type":"number","minimum":0.000001,"maximum":8192},"iso":{"type":"number","minimum":1,"maximum":1000000},"apertureN":{"type":"number","minimum":0.5,"maximum":100}}}]};

function validate28(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
const _errs0 = errors;
let valid0 = false;
const _errs1 = errors;
if(data !== null){
const err0 = {instancePath,schemaPath:"#/anyOf/0/type",keyword:"type",params:{type: "null"},message:"must be null"};
if(vErrors === null){
vErrors = [err0];
}
else {
vErrors.push(err0);
}
errors++;
}
var _valid0 = _errs1 === errors;
valid0 = valid0 || _valid0;
if(!valid0){
const _errs3 = errors;
if(errors === _errs3){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if((((data.shutterS === undefined) && (missing0 = "shutterS")) || ((data.iso === undefined) && (missing0 = "iso"))) || ((data.apertureN === undefined) && (missing0 = "apertureN"))){
const err1 = {instancePath,schemaPath:"#/anyOf/1/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"};
if(vErrors === null){
vErrors = [err1];
}
else {
vErrors.push(err1);
}
errors++;
}
else {
if(data.shutterS !== undefined){
let data0 = data.shutterS;
const _errs5 = errors;
if(errors === _errs5){
if((typeof data0 == "number") && (isFinite(data0))){
if(data0 > 8192 || isNaN(data0)){
const err2 = {instancePath:instancePath+"/shutterS",schemaPath:"#/anyOf/1/properties/shutterS/maximum",keyword:"maximum",params:{comparison: "<=", limit: 8192},message:"must be <= 8192"};
if(vErrors === null){
vErrors = [err2];
}
else {
vErrors.push(err2);
}
errors++;
}
else {
if(data0 < 0.000001 || isNaN(data0)){
const err3 = {instancePath:instancePath+"/shutterS",schemaPath:"#/anyOf/1/properties/shutterS/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0.000001},message:"must be >= 0.000001"};
if(vErrors === null){
vErrors = [err3];
}
else {
vErrors.push(err3);
}
errors++;
}
}
}
else {
const err4 = {instancePath:instancePath+"/shutterS",schemaPath:"#/anyOf/1/properties/shutterS/type",keyword:"type",params:{type: "number"},message:"must be number"};
if(vErrors === null){
vErrors = [err4];
}
else {
vErrors.push(err4);
}
errors++;
}
}
var valid1 = _errs5 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data.iso !== undefined){
let data1 = data.iso;
const _errs7 = errors;
if(errors === _errs7){
if((typeof data1 == "number") && (isFinite(data1))){
if(data1 > 1000000 || isNaN(data1)){
const err5 = {instancePath:instancePath+"/iso",schemaPath:"#/anyOf/1/properties/iso/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1000000},message:"must be <= 1000000"};
if(vErrors === null){
vErrors = [err5];
}
else {
vErrors.push(err5);
}
errors++;
}
else {
if(data1 < 1 || isNaN(data1)){
const err6 = {instancePath:instancePath+"/iso",schemaPath:"#/anyOf/1/properties/iso/minimum",keyword:"minimum",params:{comparison: ">=", limit: 1},message:"must be >= 1"};
if(vErrors === null){
vErrors = [err6];
}
else {
vErrors.push(err6);
}
errors++;
}
}
}
else {
const err7 = {instancePath:instancePath+"/iso",schemaPath:"#/anyOf/1/properties/iso/type",keyword:"type",params:{type: "number"},message:"must be number"};
if(vErrors === null){
vErrors = [err7];
}
else {
vErrors.push(err7);
}
errors++;
}
}
var valid1 = _errs7 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data.apertureN !== undefined){
let data2 = data.apertureN;
const _errs9 = errors;
if(errors === _errs9){
if((typeof data2 == "number") && (isFinite(data2))){
if(data2 > 100 || isNaN(data2)){
const err8 = {instancePath:instancePath+"/apertureN",schemaPath:"#/anyOf/1/properties/apertureN/maximum",keyword:"maximum",params:{comparison: "<=", limit: 100},message:"must be <= 100"};
if(vErrors === null){
vErrors = [err8];
}
else {
vErrors.push(err8);
}
errors++;
}
else {
if(data2 < 0.5 || isNaN(data2)){
const err9 = {instancePath:instancePath+"/apertureN",schemaPath:"#/anyOf/1/properties/apertureN/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0.5},message:"must be >= 0.5"};
if(vErrors === null){
vErrors = [err9];
}
else {
vErrors.push(err9);
}
errors++;
}
}
}
else {
const err10 = {instancePath:instancePath+"/apertureN",schemaPath:"#/anyOf/1/properties/apertureN/type",keyword:"type",params:{type: "number"},message:"must be number"};
if(vErrors === null){
vErrors = [err10];
}
else {
vErrors.push(err10);
}
errors++;
}
}
var valid1 = _errs9 === errors;
}
else {
var valid1 = true;
}
}
}
}
}
else {
const err11 = {instancePath,schemaPath:"#/anyOf/1/type",keyword:"type",params:{type: "object"},message:"must be object"};
if(vErrors === null){
vErrors = [err11];
}
else {
vErrors.push(err11);
}
errors++;
}
}
var _valid0 = _errs3 === errors;
valid0 = valid0 || _valid0;
}
if(!valid0){
const err12 = {instancePath,schemaPath:"#/anyOf",keyword:"anyOf",params:{},message:"must match a schema in anyOf"};
if(vErrors === null){
vErrors = [err12];
}
else {
vErrors.push(err12);
}
errors++;
validate28.errors = vErrors;
return false;
}
else {
errors = _errs0;
if(vErrors !== null){
if(_errs0){
vErrors.length = _errs0;
}
else {
vErrors = null;
}
}
}
validate28.errors = vErrors;
return errors === 0;
}

exports.theme = validate29;
const schema30 = {"enum":["studio","sun","dark"]};

function validate29(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(!(((data === "studio") || (data === "sun")) || (data === "dark"))){
validate29.errors = [{instancePath,schemaPath:"#/enum",keyword:"enum",params:{allowedValues: schema30.enum},message:"must be equal to one of the allowed values"}];
return false;
}
validate29.errors = vErrors;
return errors === 0;
}

exports.scope = validate30;
const schema31 = {"enum":["raw","picture"]};

function validate30(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(!((data === "raw") || (data === "picture"))){
validate30.errors = [{instancePath,schemaPath:"#/enum",keyword:"enum",params:{allowedValues: schema31.enum},message:"must be equal to one of the allowed values"}];
return false;
}
validate30.errors = vErrors;
return errors === 0;
}

exports.deskChecks = exports;

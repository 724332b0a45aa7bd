#!/usr/bin/env node
import '../dist/stadion.js';
